'use client';

import { useRef, useState } from 'react';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { Track } from '@/ui/Track';
import { post } from './post';
import type { Booklet, DepositAnswer } from './types';

type Agreement = NonNullable<Booklet['agreement']>;

/** After signing: thanks, what is paid and what comes next, and the deposit to pay. */
export function Agreed({
  data,
  agreement,
  address,
  trial,
}: {
  data: Booklet;
  agreement: Agreement;
  address: string | null;
  trial: { accepted: string; refused: string };
}) {
  return (
    <section className="leaf agreed" id="agreed">
      <h2>Accepted on {showDate(agreement.acceptedOn)}</h2>
      <p>
        Signed by {agreement.signerName}. {data.company.name} will call you about the start.
      </p>
      {agreement.cancelUntil && (
        <p>
          You may cancel until midnight of {showDate(agreement.cancelUntil)}, without giving a reason. Write
          to {data.company.email}.
        </p>
      )}
      <Track parts={agreement.track} height={14} named />
      <dl className="sums">
        {agreement.original !== agreement.standing.sumToDate && (
          <>
            <dt>Signed at first</dt>
            <dd>{showDecimal(agreement.original)}</dd>
          </>
        )}
        <dt>{agreement.original === agreement.standing.sumToDate ? 'Agreed' : 'Agreed to date'}</dt>
        <dd>{showDecimal(agreement.standing.sumToDate)}</dd>
        <dt>Billed</dt>
        <dd>{showDecimal(agreement.standing.billed)}</dd>
        <dt>Paid</dt>
        <dd>{showDecimal(agreement.standing.paid)}</dd>
      </dl>
      {agreement.changes.length > 0 && (
        <>
          <h3>Change orders</h3>
          {agreement.changes.map((change) => (
            <div className="item" key={change.id}>
              <span>
                {address ? <a href={`${address}~${change.id}`}>{change.title}</a> : change.title}
                <span className="card-detail">
                  {change.state === 'waiting' ? (
                    <strong className="waits">waits for your signature</strong>
                  ) : change.state === 'signed' ? (
                    'signed'
                  ) : (
                    'closed, not signed'
                  )}
                </span>
              </span>
              <span className="item-amount">{showDecimal(change.total)}</span>
            </div>
          ))}
        </>
      )}
      {address && (
        <p>
          <a href={`${address}/certificate`}>What was signed, and the proof of it</a>
        </p>
      )}
      {agreement.depositDue && (
        <PayDeposit
          amount={agreement.depositDue}
          currency={data.view.currency}
          address={address}
          trial={trial}
        />
      )}
      {agreement.invoices.length > 0 && (
        <>
          <h3>Invoices</h3>
          {agreement.invoices.map((invoice) => (
            <div className="item" key={invoice.id}>
              <span>
                {address ? (
                  <a href={`${address}/invoices/${invoice.id}/invoice.pdf`}>
                    {invoice.kind === 'credit note' ? 'Credit note' : 'Invoice'} {invoice.number}
                  </a>
                ) : (
                  `${invoice.kind === 'credit note' ? 'Credit note' : 'Invoice'} ${invoice.number}`
                )}
                <span className="card-detail">
                  {invoice.title}
                  {invoice.kind === 'credit note' ? '' : ', '}
                  {invoice.kind === 'credit note'
                    ? ''
                    : isNothing(invoice.open)
                      ? 'paid'
                      : `${showDecimal(invoice.open)} to pay by ${showDate(invoice.dueOn)}`}
                </span>
              </span>
              <span className="item-amount">{showDecimal(invoice.total)}</span>
            </div>
          ))}
        </>
      )}
    </section>
  );
}

function PayDeposit({
  amount,
  currency,
  address,
  trial,
}: {
  amount: string;
  currency: string;
  address: string | null;
  trial: { accepted: string; refused: string };
}) {
  const [number, setNumber] = useState('');
  const [expiry, setExpiry] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const key = useRef<string | null>(null);

  const pay = async () => {
    if (!address) return;
    setBusy(true);
    // The key stays until there is an answer, so that a retry after a lost one takes no money twice.
    key.current ??= crypto.randomUUID();
    const answer = await post<DepositAnswer>(`${address}/deposit`, {
      number,
      expiry,
      idempotencyKey: key.current,
    });
    if (answer.ok && answer.value.paid) {
      window.location.reload();
      return;
    }
    setBusy(false);
    if (answer.ok && !answer.value.paid) {
      key.current = null;
      setRefused(answer.value.reason);
    } else if (!answer.ok) {
      if (answer.problem.status !== 0) key.current = null;
      setRefused(answer.problem.detail);
    }
  };

  return (
    <form
      className="pay"
      onSubmit={(event) => {
        event.preventDefault();
        void pay();
      }}
    >
      <h3>
        Pay the deposit: {showDecimal(amount)} {currency}
      </h3>
      <label className="field">
        Card number
        <input
          inputMode="numeric"
          autoComplete="cc-number"
          required
          value={number}
          onChange={({ target }) => setNumber(target.value)}
        />
      </label>
      <label className="field field-short">
        Expiry, MM/YY
        <input
          autoComplete="cc-exp"
          placeholder="12/39"
          required
          value={expiry}
          onChange={({ target }) => setExpiry(target.value)}
        />
      </label>
      {refused && (
        <p className="refused" role="alert">
          {refused} Nothing was taken.
        </p>
      )}
      <button type="submit" className="button button-main" disabled={busy || !address}>
        {busy ? 'One moment …' : `Pay ${showDecimal(amount)}`}
      </button>
      <p className="soft small">
        No real card here. To try it out: {trial.accepted} is accepted, {trial.refused} is refused.
      </p>
    </form>
  );
}
