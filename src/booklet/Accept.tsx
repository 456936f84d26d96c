'use client';

import { useState } from 'react';
import { showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { CustomerView } from '@/model/customerView';
import type { ProblemDetails } from '@/model/problem';
import { post } from './post';
import { SignForm } from './SignForm';
import { Trouble } from './Trouble';
import type { Booklet } from './types';

/** The end of the leaflet: sign and accept, or decline with a reason. */
export function Accept({
  data,
  view,
  address,
  consent,
  waiting,
  refused,
  hold,
}: {
  data: Booklet;
  view: CustomerView;
  address: string | null;
  consent: string;
  /** A choice is on its way: what would be signed is not known yet. */
  waiting: boolean;
  /** A refusal may say how things stand now. */
  refused: (problem: ProblemDetails) => void;
  /** While an answer to a signature is awaited, the page stays as it is. */
  hold: (held: boolean) => void;
}) {
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const [declining, setDeclining] = useState(false);
  const [reason, setReason] = useState('');

  const decline = async () => {
    if (!address || reason.trim() === '') return;
    setBusy(true);
    const answer = await post(`${address}/decline`, { revisionId: data.revision.id, reason: reason.trim() });
    if (answer.ok) window.location.reload();
    else {
      setBusy(false);
      setProblem(answer.problem);
    }
  };

  const what = view.change ? 'change order' : 'proposal';
  return (
    <section className="leaf sign" id="sign">
      <h2>Sign</h2>
      <p>
        You accept <strong>{view.title}</strong>
        {view.change ? ', which changes the contract sum by ' : ' for '}
        <strong>
          {showDecimal(view.total)} {view.currency}
        </strong>
        , including tax{view.deposit ? `. ${showDecimal(view.deposit)} is due on signing` : ''}.
      </p>
      {data.cancelUntil && (
        <p>
          Signed today, you may cancel until midnight of {showDate(data.cancelUntil)}, without giving a
          reason.
        </p>
      )}
      <SignForm
        consent={consent}
        says="Accept and sign"
        waiting={waiting || !address}
        refused={refused}
        sign={async (signed) => {
          hold(true);
          const answer = await post<unknown>(`${address}/accept`, {
            revisionId: data.revision.id,
            choices: data.choices,
            total: view.total,
            ...(data.contract ? { contract: data.contract.mark } : {}),
            ...signed,
          });
          // Taken, what comes next is the signed booklet.
          if (!answer.ok) hold(false);
          return answer;
        }}
        done={() => {
          // The signed booklet is read afresh from the server, from its head: what is agreed, and the deposit.
          window.history.scrollRestoration = 'manual';
          window.location.hash = 'agreed';
          window.location.reload();
        }}
      />
      {problem && <Trouble problem={problem} />}
      {declining ? (
        <div className="declining">
          <label className="field">
            What keeps you from it?
            <textarea
              rows={3}
              value={reason}
              maxLength={2000}
              onChange={({ target }) => setReason(target.value)}
            />
          </label>
          <button
            type="button"
            className="button"
            disabled={busy || reason.trim() === '' || !address}
            onClick={decline}
          >
            Decline
          </button>{' '}
          <button type="button" className="link-button" onClick={() => setDeclining(false)}>
            Not now
          </button>
        </div>
      ) : (
        <button type="button" className="link-button" onClick={() => setDeclining(true)}>
          Decline this {what}
        </button>
      )}
    </section>
  );
}
