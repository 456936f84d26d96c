import { Button } from 'antd';
import { useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { useConfirmed } from '@/ui/useConfirmed';
import type { AcceptForCustomer } from './AcceptFor';
import { AcceptFor } from './AcceptFor';
import type { Compare } from './Revisions';
import { Revisions } from './Revisions';

export interface SentActions {
  readonly acceptFor: AcceptForCustomer;
  readonly compare: Compare;
  readonly withdraw: (id: string) => Promise<Answer<void>>;
  readonly revokeLinks: (id: string) => Promise<Answer<void>>;
}

/** What was sent, whether it was opened, and what can become of it. */
export function SentSoFar({
  proposal,
  actions,
  timeZone,
}: {
  readonly proposal: ProposalAtDesk;
  readonly actions: SentActions;
  readonly timeZone: string;
}) {
  const confirmed = useConfirmed();
  const [accepting, setAccepting] = useState(false);
  const opened = proposal.links
    .map(({ lastOpenedAt }) => lastOpenedAt ?? '')
    .sort()
    .at(-1);
  const isOut = proposal.state === 'sent' || proposal.state === 'lapsed';
  const reachable = proposal.links.some(({ open }) => open);
  return (
    <>
      <h2>Sent so far</h2>
      <Revisions proposal={proposal} compare={actions.compare} timeZone={timeZone} />
      <p className="soft">
        {opened ? `Opened last on ${showInstant(opened, timeZone)}.` : 'Not opened yet.'}
        {isOut && !reachable && ' No link to it works any more; sending it again makes a new one.'}
      </p>
      {isOut && proposal.mayEdit && (
        <p className="button-row">
          {proposal.decided && (
            <Button size="small" onClick={() => setAccepting(true)}>
              They said yes …
            </Button>
          )}
          {reachable && (
            <Button
              size="small"
              onClick={() =>
                confirmed(
                  {
                    title: 'Make all links stop working?',
                    content: 'Whoever has one can not open it any more. Sending again makes a new one.',
                    okText: 'Stop the links',
                  },
                  () => actions.revokeLinks(proposal.id),
                  { said: 'No link to this proposal works any more.' },
                )
              }
            >
              Stop the links
            </Button>
          )}
          <Button
            size="small"
            danger
            onClick={() =>
              confirmed(
                {
                  title: 'Withdraw this proposal?',
                  content: 'The customer can not accept it any more. This stays on record.',
                  okText: 'Withdraw',
                },
                () => actions.withdraw(proposal.id),
              )
            }
          >
            Withdraw
          </Button>
        </p>
      )}
      {accepting && (
        <AcceptFor proposal={proposal} accept={actions.acceptFor} close={() => setAccepting(false)} />
      )}
    </>
  );
}
