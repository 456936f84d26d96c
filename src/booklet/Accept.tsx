'use client';

import { useRef, useState } from 'react';
import { showDecimal } from '@/core/number';
import type { CustomerView } from '@/model/customerView';
import type { Signature } from '@/model/inputs';
import type { ProblemDetails } from '@/model/problem';
import { post } from './post';
import { Trouble } from './Trouble';
import { SignaturePad } from './SignaturePad';
import type { Booklet } from './types';

/** The end of the leaflet: sign and accept, or decline with a reason. */
export function Accept({
  data,
  view,
  address,
  consent,
  waiting,
}: {
  data: Booklet;
  view: CustomerView;
  address: string | null;
  consent: string;
  /** A choice is on its way: what would be signed is not known yet. */
  waiting: boolean;
}) {
  const [name, setName] = useState('');
  const [agreed, setAgreed] = useState(false);
  const [how, setHow] = useState<'typed' | 'drawn'>('typed');
  const [drawn, setDrawn] = useState<Signature | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const [declining, setDeclining] = useState(false);
  const [reason, setReason] = useState('');
  // One key for this signature, so that a second tap or a retry is the same signature.
  const key = useRef<string | null>(null);

  const missing =
    name.trim() === ''
      ? 'Type your name.'
      : how === 'drawn' && !drawn
        ? 'Draw your signature.'
        : !agreed
          ? 'Tick that you agree.'
          : null;

  const accept = async () => {
    if (!address) return;
    if (missing) {
      setProblem({ type: 'about:blank', title: '', status: 422, detail: missing });
      return;
    }
    setBusy(true);
    key.current ??= crypto.randomUUID();
    const answer = await post(`${address}/accept`, {
      revisionId: data.revision.id,
      choices: data.choices,
      total: view.total,
      signerName: name.trim(),
      signature: how === 'typed' ? { kind: 'typed' } : drawn,
      consent: true,
      idempotencyKey: key.current,
    });
    if (answer.ok) {
      // The signed booklet is read afresh from the server, from its head: what is agreed, and the deposit.
      window.history.scrollRestoration = 'manual';
      window.location.hash = 'agreed';
      window.location.reload();
    } else {
      setBusy(false);
      setProblem(answer.problem);
    }
  };

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

  return (
    <section className="leaf sign" id="sign">
      <h2>Sign</h2>
      <p>
        You accept <strong>{view.title}</strong> for{' '}
        <strong>
          {showDecimal(view.total)} {view.currency}
        </strong>
        , tax in{view.deposit ? `. ${showDecimal(view.deposit)} is due on signing` : ''}.
      </p>
      <label className="field">
        Your name
        <input
          value={name}
          autoComplete="name"
          maxLength={200}
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <div className="ways" role="radiogroup" aria-label="How to sign">
        {(['typed', 'drawn'] as const).map((way) => (
          <label key={way} className={how === way ? 'way way-on' : 'way'}>
            <input type="radio" name="how" checked={how === way} onChange={() => setHow(way)} />
            {way === 'typed' ? 'Sign with my typed name' : 'Draw my signature'}
          </label>
        ))}
      </div>
      {how === 'typed' ? (
        name.trim() !== '' && <div className="typed-signature">{name}</div>
      ) : (
        <SignaturePad change={setDrawn} />
      )}
      <label className="consent">
        <input type="checkbox" checked={agreed} onChange={({ target }) => setAgreed(target.checked)} />
        <span>{consent}</span>
      </label>
      {problem && <Trouble problem={problem} />}
      <button
        type="button"
        className="button button-main"
        disabled={busy || waiting || !address}
        onClick={accept}
      >
        {busy ? 'One moment …' : 'Accept and sign'}
      </button>
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
          Decline this proposal
        </button>
      )}
    </section>
  );
}
