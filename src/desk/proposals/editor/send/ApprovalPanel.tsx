'use client';

import { Button, Input } from 'antd';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { Crossed } from '@/core/range';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { useKeptText } from '@/ui/kept/useKeptText';
import { useSubmit } from '@/ui/useSubmit';
import { ApprovalAnswer } from '../../ApprovalAnswer';

export interface ApprovalActions {
  readonly askApproval: (input: unknown) => Promise<Answer<void>>;
  readonly answerApproval: (input: unknown) => Promise<Answer<void>>;
}

/** What of the company's limits the proposal crosses, and the owner's yes to exactly this state of it. */
export function ApprovalPanel({
  proposal,
  crossed,
  timeZone,
  settle,
  actions,
}: {
  readonly proposal: ProposalAtDesk;
  readonly crossed: readonly Crossed[];
  readonly timeZone: string;
  /** Saves what is typed; what is asked about is the state that is saved last. Null: it could not be saved. */
  readonly settle: () => Promise<number | null>;
  readonly actions: ApprovalActions;
}) {
  const [words, setWords, wordsGone] = useKeptText(`why ${proposal.id}`);
  const { busy, refused, setRefused, submit } = useSubmit();
  const ask = async () => {
    const saveNumber = await settle();
    if (saveNumber === null) setRefused('The last changes are not saved yet. Try again in a moment.');
    else
      await submit(() => actions.askApproval({ proposalId: proposal.id, saveNumber, words }), {
        then: () => wordsGone(),
      });
  };
  const known = proposal.approvals.find(({ saveNumber }) => saveNumber === proposal.saveNumber);
  return (
    <div className="send-problems approval">
      <strong>{proposal.mayApprove ? 'Crosses your limits' : 'Needs approval'}</strong>
      <ul>
        {(known?.reasons ?? crossed.map(({ message }) => message)).map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
      {known?.verdict === 'yes' && (
        <p>
          Approved on {showInstant(known.answeredAt!, timeZone)}
          {known.answer && `: “${known.answer}”`}
        </p>
      )}
      {known?.verdict === 'no' && (
        <p className="wrong">
          Refused on {showInstant(known.answeredAt!, timeZone)}
          {known.answer && `: “${known.answer}”`} Change the proposal to ask again.
        </p>
      )}
      {known?.verdict === null && !proposal.mayApprove && (
        <p>Asked on {showInstant(known.askedAt, timeZone)}. The answer shows here.</p>
      )}
      {known?.verdict === null && proposal.mayApprove && (
        <ApprovalAnswer approval={known} answer={actions.answerApproval} />
      )}
      {!known && !proposal.mayApprove && (
        <div className="verdict">
          <Input
            aria-label="Why it should go out all the same"
            placeholder="why it should go out all the same"
            maxLength={2000}
            value={words}
            onChange={({ target }) => setWords(target.value)}
          />
          <Button type="primary" loading={busy} onClick={() => void ask()}>
            Ask for it
          </Button>
        </div>
      )}
      {!known && proposal.mayApprove && <p className="soft">Sending it is your yes; it is kept on record.</p>}
      {refused && <p className="wrong">{refused}</p>}
    </div>
  );
}
