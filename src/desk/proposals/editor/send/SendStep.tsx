'use client';

import { Button } from 'antd';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { Answer, SendInput } from '@/model';
import { useConfirmed } from '@/ui/useConfirmed';
import type { ShowLinkAction } from '../../../ShowLink';
import { Question } from '../../Questions';
import { useEditor } from '../context';
import type { ApprovalActions } from './ApprovalPanel';
import { ApprovalPanel } from './ApprovalPanel';
import { Preview } from './Preview';
import { SendForm } from './SendForm';
import { SendDone, SendKeeps, SendProblems, SendTaxes } from './SendNotes';
import type { SentActions } from './SentSoFar';
import { SentSoFar } from './SentSoFar';
import type { Sent } from './useSending';
import { useSending } from './useSending';

export interface SendActions extends ApprovalActions, SentActions {
  readonly send: (input: SendInput) => Promise<Answer<Sent>>;
  readonly showLink: ShowLinkAction;
  readonly reopen: (id: string) => Promise<Answer<void>>;
  readonly answerQuestion: (input: unknown) => Promise<Answer<void>>;
}

/** The customer's page exactly as they will get it, what to look at before, and the way out. */
export function SendStep({
  proposal,
  actions,
  timeZone,
  previewMark,
}: {
  readonly proposal: ProposalAtDesk;
  readonly actions: SendActions;
  readonly timeZone: string;
  readonly previewMark: number;
}) {
  const { work, readOnly } = useEditor();
  const sending = useSending(proposal, actions.send);
  const confirmed = useConfirmed();
  const { crossed } = sending;
  return (
    <div className="send">
      <div className="send-form">
        <SendProblems sending={sending} />
        <SendTaxes />
        {crossed.length > 0 && !readOnly && (
          <ApprovalPanel
            proposal={proposal}
            crossed={crossed}
            timeZone={timeZone}
            settle={work.settle}
            actions={actions}
          />
        )}
        <SendKeeps sending={sending} />
        <SendDone proposal={proposal} sending={sending} showLink={actions.showLink} />
        {['declined', 'lapsed', 'withdrawn'].includes(proposal.state) && proposal.mayEdit && (
          <p>
            <Button
              type="primary"
              onClick={() =>
                confirmed(
                  {
                    title: 'Take this proposal up again?',
                    content:
                      'It is a draft once more, with everything that was sent kept. The customer reads that a new revision is on its way. Prices hold for your usual days again.',
                    okText: 'Take it up again',
                  },
                  () => actions.reopen(proposal.id),
                )
              }
            >
              Take it up again
            </Button>
          </p>
        )}
        {proposal.questions.length > 0 && (
          <>
            <h2>Asked by the customer</h2>
            {proposal.questions.map((question) => (
              <Question
                key={question.id}
                question={question}
                answer={proposal.mayEdit ? actions.answerQuestion : null}
              />
            ))}
          </>
        )}
        {!readOnly && <SendForm proposal={proposal} sending={sending} />}
        {proposal.revisions.length > 0 && (
          <SentSoFar proposal={proposal} actions={actions} timeZone={timeZone} />
        )}
      </div>
      <Preview proposalId={proposal.id} previewMark={previewMark} />
    </div>
  );
}
