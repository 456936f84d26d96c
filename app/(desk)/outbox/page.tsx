import type { Metadata } from 'next';
import { readSettings } from '@/services/settings/settings';
import { may } from '@/services/actor';
import { listCharges } from '@/services/payments/cards';
import { listMessages } from '@/services/post';
import { showInstant } from '@/ui/instants';
import { Linked } from '@/ui/Linked';
import { CardService } from '@/desk/payments/CardService';
import { playCardServiceAction } from '../../moneyActions';
import { ShowLink } from '@/desk/ShowLink';
import { showLinkAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Outbox' };

export default async function OutboxPage() {
  const actor = await pageActor();
  const charges = may(actor, 'owner', 'office') ? await listCharges(actor) : [];
  const [messages, { company }] = await Promise.all([listMessages(actor), readSettings(actor)]);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Outbox</h1>
        <span className="soft">Simulated mail: nothing leaves this machine.</span>
      </header>
      {charges.length > 0 && (
        <section className="panel" style={{ marginBottom: 14 }} aria-labelledby="cards">
          <h2 id="cards">Card service</h2>
          <p className="soft" style={{ margin: '0 0 8px' }}>
            Simulated: say here what the bank answers. It comes as a signed message, as a real one would.
          </p>
          <CardService charges={charges} timeZone={company.timeZone} play={playCardServiceAction} />
        </section>
      )}
      {messages.length === 0 && <p className="empty">Nothing sent yet.</p>}
      {messages.map((message) => (
        <article key={message.id} className="panel" style={{ marginBottom: 14, maxWidth: 760 }}>
          <h2>{message.subject}</h2>
          <p className="soft" style={{ margin: '0 0 8px' }}>
            to {message.toAddress} · {showInstant(message.at, company.timeZone)}
            {message.state === 'returned' && <strong className="wrong"> · came back: no such address</strong>}
          </p>
          <p style={{ margin: 0, whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>
            <Linked text={message.body} />
          </p>
          {message.link &&
            (!message.link.open ? (
              <p className="soft" style={{ margin: '8px 0 0' }}>
                The private link in it leads nowhere any more.
              </p>
            ) : message.link.mayShow ? (
              <ShowLink linkId={message.link.id} show={showLinkAction} />
            ) : (
              <p className="soft" style={{ margin: '8px 0 0' }}>
                The private link in it is shown to sellers only: whoever opens it can sign for the customer.
              </p>
            ))}
        </article>
      ))}
    </div>
  );
}
