'use client';

import type { FormEvent } from 'react';
import { useState, useSyncExternalStore } from 'react';
import type { ShownCardPage, trialCards } from '@/gateways/cards/standIn';
import { showDecimal } from '@/core/number';
import './cardPage.css';

type Typed = { readonly back: string } | { readonly wrong: string } | { readonly detail: string };

/** Where a card is typed: a page of the stand-in of a card service. Plain, so that nobody takes it for ours or for a bank's. */
export function CardPage({
  shown,
  door,
  trial,
}: {
  readonly shown: ShownCardPage | null;
  readonly door: string;
  readonly trial: typeof trialCards;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // A form that is sent before the page is awake would be sent by the browser itself: not with the number of a card.
  const awake = useSyncExternalStore(
    () => () => undefined,
    () => true,
    () => false,
  );
  if (!shown)
    return (
      <main className="card-page">
        <h1>This page is over</h1>
        <p>Go back to the letter you came from and begin again. Nothing was taken.</p>
      </main>
    );
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    // What was typed is taken before anything waits, also what was typed before the page was awake.
    const form = new FormData(event.currentTarget);
    setBusy(true);
    setWrong(null);
    try {
      const answer = await fetch(door, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ number: form.get('number'), expiry: form.get('expiry') }),
        signal: AbortSignal.timeout(30_000),
      });
      const said = (await answer.json()) as Typed;
      // The way back takes this page out of the history: Back leads to what was paid, not to the card.
      if ('back' in said) return window.location.replace(said.back);
      setWrong('wrong' in said ? said.wrong : said.detail);
    } catch {
      setWrong('There is no connection just now. Nothing was taken; try again.');
    }
    setBusy(false);
  };
  return (
    <main className="card-page">
      <p className="card-page-note">Stand-in of a card service. No real card, no real bank.</p>
      <h1>
        {showDecimal(shown.amount)} {shown.currency}
      </h1>
      <p>{shown.what}</p>
      <form method="post" onSubmit={(event) => void send(event)} aria-label="Card">
        <label>
          Card number
          <input
            name="number"
            inputMode="numeric"
            autoComplete="cc-number"
            required
            autoFocus
            maxLength={40}
          />
        </label>
        <label className="card-page-short">
          Expiry, MM/YY
          <input name="expiry" autoComplete="cc-exp" placeholder="12/39" required maxLength={10} />
        </label>
        {wrong && (
          <p className="card-page-wrong" role="alert">
            {wrong}
          </p>
        )}
        <button type="submit" disabled={busy || !awake}>
          {busy ? 'One moment …' : `Pay ${showDecimal(shown.amount)}`}
        </button>
        <a href={shown.back}>Back without paying</a>
      </form>
      <p className="card-page-note">
        To try it out: {trial.accepted} is accepted, {trial.refused} refused, {trial.confirmed} asks for a
        code, {trial.delayed} answers later.
      </p>
    </main>
  );
}
