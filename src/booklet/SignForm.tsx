'use client';

import type { ReactNode } from 'react';
import { useEffect, useId, useRef, useState } from 'react';
import type { Answer, ProblemDetails } from '@/model/problem';
import type { Signature } from '@/model/proposalInputs';
import { SignaturePad } from './SignaturePad';
import { Trouble } from './Trouble';

/** What a signer gives. */
export interface Signed {
  readonly signerName: string;
  readonly signature: Signature;
  readonly consent: true;
  readonly idempotencyKey: string;
}

/** Under what name the tab keeps who is about to sign. */
const NAME = 'impegno-signer';

/** Somebody who signed first. */
interface Before {
  readonly signer: string;
  readonly at: string;
}

/** How long it is waited before a signature without an answer is asked about again, in milliseconds. */
const RETRIES = [800, 2500, 6000];

interface SignFormProps {
  readonly consent: string;
  /** What the button says. */
  readonly says: string;
  /** Nothing can be signed now: in the preview, or while a choice is on its way. */
  readonly waiting: boolean;
  readonly sign: (signed: Signed) => Promise<Answer<unknown>>;
  /** After it is signed. */
  readonly done: () => void;
  /** What to do with a refusal besides showing it. */
  readonly refused?: (problem: ProblemDetails) => void;
  readonly children?: ReactNode;
}

/** A name, a signature typed or drawn, and consent; alike for everything that is signed. */
export function SignForm({ consent, says, waiting, sign, done, refused, children }: SignFormProps) {
  const [name, keepName] = useState('');
  useEffect(() => {
    const kept = window.sessionStorage.getItem(NAME);
    // A page read anew has not lost who was about to sign.
    if (kept) queueMicrotask(() => keepName((typed) => typed || kept));
  }, []);
  const setName = (typed: string) => {
    keepName(typed);
    window.sessionStorage.setItem(NAME, typed);
  };
  const [agreed, setAgreed] = useState(false);
  const [how, setHow] = useState<'typed' | 'drawn'>('typed');
  const [drawn, setDrawn] = useState<Signature | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const ways = useId();
  const [looking, setLooking] = useState(false);
  const [signedBefore, setSignedBefore] = useState<Before | null>(null);
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

  const submit = async () => {
    if (missing) {
      setProblem({ type: 'about:blank', code: 'not-filled-in', title: '', status: 422, detail: missing });
      return;
    }
    setBusy(true);
    key.current ??= crypto.randomUUID();
    const signed: Signed = {
      signerName: name.trim(),
      signature: how === 'typed' ? { kind: 'typed' } : drawn!,
      consent: true,
      idempotencyKey: key.current,
    };
    let answer = await sign(signed);
    // An answer that did not come says nothing: under the same key it is asked again, and signed once at most.
    for (const pause of RETRIES) {
      if (answer.ok || answer.problem.code !== 'no-answer') break;
      setLooking(true);
      await new Promise((go) => setTimeout(go, pause));
      answer = await sign(signed);
    }
    setLooking(false);
    if (answer.ok) {
      const before = (answer.value as { before?: Before | null }).before ?? null;
      if (before) setSignedBefore(before);
      else done();
    } else {
      setBusy(false);
      setProblem(answer.problem);
      refused?.(answer.problem);
    }
  };

  if (signedBefore)
    return (
      <div role="status" className="signed-before">
        <p>
          <strong>{signedBefore.signer}</strong> signed this on{' '}
          {new Date(signedBefore.at).toLocaleString('en-US', { dateStyle: 'long', timeStyle: 'short' })}. It
          counts once; yours is not needed any more.
        </p>
        <button type="button" className="button" onClick={done}>
          Read what was signed
        </button>
      </div>
    );
  return (
    <>
      {looking && <p role="status">No answer came. Looking whether your signature arrived …</p>}
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
            <input type="radio" name={ways} checked={how === way} onChange={() => setHow(way)} />
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
      <button type="button" className="button button-main" disabled={busy || waiting} onClick={submit}>
        {busy ? 'One moment …' : says}
      </button>
      {children}
    </>
  );
}
