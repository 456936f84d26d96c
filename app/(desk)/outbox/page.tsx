import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { carrierOf } from '@/services/carrier';
import { readOwnCompany } from '@/services/settings/company';
import { may } from '@/services/actor';
import { readList } from '@/services/lists/deskList';
import { messageKinds, messageList } from '@/services/messages/messageList';
import { listCharges } from '@/services/payments/cards';
import { MessageList } from '@/desk/messages/MessageList';
import { CardService } from '@/desk/payments/CardService';
import { playCardServiceAction } from '../../moneyActions';
import { sendLetterAgainAction } from '../../settingsActions';
import { saveListPreferencesAction, showLinkAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Outbox' };

export default async function OutboxPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('prices');
  const [list, company, charges] = await Promise.all([
    readList(actor, messageList, await searchParams),
    readOwnCompany(actor),
    may(actor, 'money') ? listCharges(actor) : { found: [], more: false },
  ]);
  const carried = carrierOf(company)?.name;
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>Outbox</h1>
        <span className="soft">
          {carried ? `Letters go out by ${carried}.` : 'Simulated mail: nothing leaves this machine.'}
        </span>
      </header>
      {charges.found.length > 0 && (
        <section className="panel page-part" aria-labelledby="cards">
          <h2 id="cards">Card service</h2>
          <p className="soft">
            Simulated: say here what the bank answers. It comes as a signed message, as a real one would.
          </p>
          <CardService charges={charges.found} timeZone={company.timeZone} play={playCardServiceAction} />
          {charges.more && <p className="soft">The newest {charges.found.length} charges.</p>}
        </section>
      )}
      <MessageList
        list={list}
        savePreferences={saveListPreferencesAction}
        timeZone={company.timeZone}
        kinds={messageKinds}
        showLink={showLinkAction}
        sendAgain={sendLetterAgainAction}
      />
    </div>
  );
}
