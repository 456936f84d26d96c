import '@/ui/theme/antd.css';
import '@/ui/theme/scale.css';
import '@/desk/desk.css';
import type { ReactNode } from 'react';
import { Rail } from '@/desk/Rail';
import { OwnMethods } from '@/desk/payments/OwnMethods';
import { listMethods } from '@/services/settings/methods';
import { KeptFor } from '@/ui/kept/KeptFor';
import { Providers } from '@/ui/Providers';
import { signOutAction } from '../actions';
import { pageActor, requestNonce } from '../session';

export default async function DeskLayout({ children }: { children: ReactNode }) {
  const actor = await pageActor();
  return (
    <Providers nonce={await requestNonce()}>
      <div className="desk">
        <Rail name={actor.name} signOut={signOutAction} />
        <main className="desk-main">
          <KeptFor person={actor.userId}>
            <OwnMethods methods={await listMethods(actor)}>{children}</OwnMethods>
          </KeptFor>
        </main>
      </div>
    </Providers>
  );
}
