import '@/ui/theme/antd.css';
import '@/ui/theme/scale.css';
import '@/desk/desk.css';
import type { ReactNode } from 'react';
import { ActsAs } from '@/desk/companies/ActsAs';
import { HintBar } from '@/desk/help/HintBar';
import { OurCompany } from '@/desk/companies/OurCompany';
import { Rail } from '@/desk/Rail';
import { listOwnCompanies } from '@/services/entering/companies';
import { OwnMethods } from '@/desk/payments/OwnMethods';
import { may } from '@/services/actor';
import { readOwnCompany } from '@/services/settings/company';
import { listMethods } from '@/services/settings/methods';
import { KeptFor } from '@/ui/kept/KeptFor';
import { Providers } from '@/ui/Providers';
import { hintsFor } from '@/services/help/hints';
import { putHintAwayAction, signOutAction, switchCompanyAction } from '../accountActions';
import { Sellers } from '@/desk/people/Sellers';
import { changeSellerAction, listSellersAction } from '../peopleActions';
import { pageActor, requestNonce } from '../session';
import { MayHere } from '@/ui/may/May';

const sellerActs = { list: listSellersAction, change: changeSellerAction };

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const actor = await pageActor();
  const companies = await listOwnCompanies(actor);
  const { address, units, ownUnits } = await readOwnCompany(actor);
  return (
    <Providers nonce={await requestNonce()}>
      <MayHere permissions={actor.permissions}>
        <div className="desk">
          <ActsAs userId={actor.userId} />
          <Rail
            name={actor.name}
            permissions={actor.permissions}
            demo={companies.some(({ here, demo }) => here && demo)}
            companies={companies}
            switchTo={switchCompanyAction}
            signOut={signOutAction}
          />
          <main className="desk-main">
            <HintBar pages={await hintsFor(actor)} putAway={putHintAwayAction} />
            <KeptFor person={actor.userId}>
              <Sellers acts={may(actor, 'propose') && may(actor, 'allProposals') ? sellerActs : null}>
                <OwnMethods methods={may(actor, 'prices') ? await listMethods(actor) : []}>
                  <OurCompany country={address.country} units={units} ownUnits={ownUnits}>
                    {children}
                  </OurCompany>
                </OwnMethods>
              </Sellers>
            </KeptFor>
          </main>
        </div>
      </MayHere>
    </Providers>
  );
}
