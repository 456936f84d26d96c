'use client';

import canonicalize from 'canonicalize';
import { useState } from 'react';
import { showDate } from '@/core/text/dates';
import { post } from './post';
import type { Checked } from './types';

/** What is known of a fingerprint. */
export type Verdict =
  | { readonly kind: 'known'; readonly found: Checked; readonly sha256: string }
  | { readonly kind: 'unknown'; readonly sha256: string }
  | { readonly kind: 'trouble'; readonly why: string };

/** A statement as it was signed: canonical JSON (RFC 8785), however a copy of it is laid out. */
function canonical(text: string): string {
  try {
    return canonicalize(JSON.parse(text.replace(/^\uFEFF/, ''))) ?? text;
  } catch {
    return text;
  }
}

/** The SHA-256 of a statement, reckoned here: the file does not leave the browser. */
async function fingerprint(file: Blob): Promise<string> {
  const text = new TextEncoder().encode(canonical(await file.text()));
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', text));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

const kinds: Readonly<Record<Checked['kind'], string>> = {
  proposal: 'an agreement',
  'change order': 'a change order',
  selections: 'selections',
};

/** Checks a signed statement, or the fingerprint on a certificate. */
export function CheckCertificate({ first }: { first: Verdict | null }) {
  const [typed, setTyped] = useState(first && 'sha256' in first ? first.sha256 : '');
  const [verdict, setVerdict] = useState(first);

  const ask = async (sha256: string) => {
    const answer = await post<{ found: Checked | null }>('/api/v1/certificates', { sha256 });
    setVerdict(
      !answer.ok
        ? { kind: 'trouble', why: answer.problem.detail }
        : answer.value.found
          ? { kind: 'known', found: answer.value.found, sha256 }
          : { kind: 'unknown', sha256 },
    );
  };
  const askTyped = () => {
    const sha256 = typed.trim().toLowerCase();
    if (/^[0-9a-f]{64}$/.test(sha256)) void ask(sha256);
    else setVerdict({ kind: 'trouble', why: 'A fingerprint has 64 figures and letters from a to f.' });
  };

  return (
    <section className="leaf">
      <h1>Check a certificate</h1>
      <p>
        Take the statement you kept: its fingerprint is reckoned in your browser, and the file stays with you.
        Or type the fingerprint that stands on the certificate.
      </p>
      <label className="field">
        The statement
        <input
          type="file"
          accept=".json,application/json"
          onChange={({ target }) => {
            const file = target.files?.[0];
            if (file)
              void fingerprint(file).then((sha256) => {
                setTyped(sha256);
                return ask(sha256);
              });
          }}
        />
      </label>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          askTyped();
        }}
      >
        <label className="field">
          Its fingerprint (SHA-256)
          <input
            value={typed}
            spellCheck={false}
            className="fingerprint"
            onChange={({ target }) => setTyped(target.value)}
          />
        </label>
        <button type="submit" className="button button-main">
          Check it
        </button>
      </form>
      {verdict && (
        <div
          role="status"
          className={verdict.kind === 'known' && verdict.found.intact ? 'seal-good' : 'seal-broken'}
        >
          {verdict.kind === 'trouble' && <p>{verdict.why}</p>}
          {verdict.kind === 'unknown' && (
            <p>
              ✗ Nothing with this fingerprint was signed here. If it is of a statement you kept, it was
              changed since.
            </p>
          )}
          {verdict.kind === 'known' && (
            <p>
              {verdict.found.intact ? '✓' : '✗'} {verdict.found.signer} signed {kinds[verdict.found.kind]}{' '}
              with {verdict.found.company} (agreement {verdict.found.agreement}), “{verdict.found.title}”, on{' '}
              {showDate(verdict.found.signedAt.slice(0, 10))}.{' '}
              {verdict.found.intact
                ? 'What is stored is what was signed.'
                : 'But what is stored is not what was signed any more.'}
            </p>
          )}
        </div>
      )}
    </section>
  );
}
