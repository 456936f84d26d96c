'use client';

import { Button, Input } from 'antd';
import { useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { Crossed } from '@/core/range';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { ApprovalAnswer } from '../ApprovalAnswer';

export interface ApprovalActions {
  readonly askApproval: (input: unknown) => Promise<Answer<void>>;
  readonly answerApproval: (input: unknown) => Promise<Answer<void>>;
}

/** What of the company's limits the proposal crosses, and the owner's yes to exactly this state of it. */
export function ApprovalPanel({
  proposal,
  crossed,
  timeZone,
  ask,
  actions,
}: {
  proposal: ProposalAtDesk;
  crossed: readonly Crossed[];
  timeZone: string;
  /** Asks about the state that is saved last. */
  ask: (words: string) => Promise<string | null>;
  actions: ApprovalActions;
}) {
  const [words, setWords] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const known = proposal.approvals.find(({ saveNumber }) => saveNumber === proposal.saveNumber);
  return (
    <div className="send-problems approval">
      <strong>{proposal.bySeller ? 'Needs the owner’s yes' : 'Crosses your limits'}</strong>
      <ul>
        {(known?.reasons ?? crossed.map(({ message }) => message)).map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
      {known?.verdict === 'yes' && (
        <p>
          The owner said yes on {showInstant(known.answeredAt!, timeZone)}
          {known.answer && `: “${known.answer}”`}
        </p>
      )}
      {known?.verdict === 'no' && (
        <p className="wrong">
          The owner said no on {showInstant(known.answeredAt!, timeZone)}
          {known.answer && `: “${known.answer}”`} Change the proposal to ask again.
        </p>
      )}
      {known?.verdict === null && proposal.bySeller && (
        <p>Asked on {showInstant(known.askedAt, timeZone)}. The answer shows here.</p>
      )}
      {known?.verdict === null && !proposal.bySeller && (
        <ApprovalAnswer approval={known} answer={actions.answerApproval} />
      )}
      {!known && proposal.bySeller && (
        <div className="verdict">
          <Input
            aria-label="Why it should go out all the same"
            placeholder="why it should go out all the same"
            maxLength={2000}
            value={words}
            onChange={({ target }) => setWords(target.value)}
          />
          <Button
            type="primary"
            loading={busy}
            onClick={async () => {
              setBusy(true);
              setTrouble(await ask(words));
              setBusy(false);
            }}
          >
            Ask for it
          </Button>
        </div>
      )}
      {!known && !proposal.bySeller && <p className="soft">Sending it is your yes; it is kept on record.</p>}
      {trouble && <p className="wrong">{trouble}</p>}
    </div>
  );
}
