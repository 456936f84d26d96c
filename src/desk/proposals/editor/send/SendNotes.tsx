import type { ProposalAtDesk } from '@/services/proposals/read';
import type { ShowLinkAction } from '../../../ShowLink';
import { ShowLink } from '../../../ShowLink';
import { taxMoves } from '@/core/editing';
import { useEditor } from '../context';
import type { Sending } from './useSending';

/** What is to be mended or looked at before it is sent. */
export function SendProblems({ sending: { problems, blocked } }: { readonly sending: Sending }) {
  if (problems.length === 0) return null;
  return (
    <div className="send-problems">
      <strong>{blocked ? 'To mend before sending' : 'Worth a look before sending'}</strong>
      <ul>
        {problems.map(({ partId, message }) => (
          <li key={`${partId}${message}`}>{message}</li>
        ))}
      </ul>
    </div>
  );
}

/** That a tax is another one by now. */
export function SendTaxes() {
  const { work, taxesNow, readOnly } = useEditor();
  const moves = readOnly ? [] : taxMoves(work.document, taxesNow);
  if (moves.length === 0) return null;
  return (
    <div className="send-problems" role="note">
      <strong>Taxes changed since this was begun; see Price</strong>
      <ul>
        {moves.map(({ taxClass, component, name, before, after }) => (
          <li key={`${taxClass} ${component}`}>
            {name}: {before} % here, {after} % now
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What of the customer's choices stands on the revision that would be sent now. */
export function SendKeeps({ sending: { keeps, sent } }: { readonly sending: Sending }) {
  const { readOnly } = useEditor();
  if (!keeps || readOnly || sent) return null;
  const { lost } = keeps;
  return (
    <div className="send-keeps" role="note">
      <strong>
        {lost.length === 0
          ? 'The customer has chosen; all of it is kept.'
          : 'The customer has chosen. Kept, but for:'}
      </strong>
      {lost.length > 0 && (
        <ul>
          {lost.map(({ about, picked, because }) => (
            <li key={`${about} ${picked}`}>
              {about}: {picked}. {because}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** That it is on its way, and where its letter and link are. */
export function SendDone({
  proposal,
  sending: { sent },
  showLink,
}: {
  readonly proposal: ProposalAtDesk;
  readonly sending: Sending;
  readonly showLink: ShowLinkAction;
}) {
  if (!sent) return null;
  const stopped = proposal.links.some(({ id, open }) => id === sent.linkId && !open);
  return (
    <div className="send-done" role="status">
      <strong>
        Revision {sent.revision} is {sent.leaves ? 'on its way' : 'ready to hand over'}.
      </strong>
      {sent.leaves ? (
        <p>
          The <a href="/outbox">outbox</a> says when its letter is there.
        </p>
      ) : (
        <p>
          No letter leaves this machine: it lies in the <a href="/outbox">outbox</a>. Give the customer the
          private link.
        </p>
      )}
      {!stopped && <ShowLink key={sent.linkId} linkId={sent.linkId} show={showLink} />}
    </div>
  );
}
