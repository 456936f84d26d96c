import { useState } from 'react';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { AgreedShown, TrialCards } from './types';
import { usePay } from './usePay';
import { capital } from '@/core/text/capital';

interface ToPay {
  /** The invoice; null: the deposit, not billed yet. */
  readonly invoiceId: string | null;
  readonly name: string;
  readonly amount: string;
  readonly detail: string;
}

/** What can be paid now, what is due first before the rest. */
function payable({ depositDue, depositInvoice, invoices }: AgreedShown): ToPay[] {
  const open = invoices
    .filter(({ open, waits, kind }) => kind !== 'credit note' && !isNothing(open) && isNothing(waits))
    .filter(({ id }) => id !== depositInvoice || depositDue !== null)
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : 0))
    .map(({ id, number, title, open, dueOn }): ToPay => ({
      invoiceId: id,
      name: id === depositInvoice ? 'the deposit' : `invoice ${number}`,
      amount: open,
      detail: `${title}, due ${showDate(dueOn)}`,
    }));
  return depositDue !== null && depositInvoice === null
    ? [{ invoiceId: null, name: 'the deposit', amount: depositDue, detail: 'due on signing' }, ...open]
    : open;
}

/** Paying by card: what is open, or one of it. */
export function Pay({
  agreement,
  currency,
  address,
  trial,
}: {
  agreement: AgreedShown;
  currency: string;
  address: string | null;
  trial: TrialCards;
}) {
  const all = payable(agreement);
  const [which, setWhich] = useState(0);
  const { number, setNumber, expiry, setExpiry, code, setCode, refused, busy, pay } = usePay(address);
  const chosen = all[which];
  if (!chosen) return null;

  return (
    <form
      className="pay"
      id="pay"
      onSubmit={(event) => {
        event.preventDefault();
        void pay(chosen.invoiceId);
      }}
    >
      <h3>
        Pay {chosen.name}: {showDecimal(chosen.amount)} {currency}
      </h3>
      {all.length > 1 && code === null && (
        <fieldset className="pay-which">
          <legend>What do you pay?</legend>
          {all.map(({ invoiceId, name, amount, detail }, i) => (
            <label key={invoiceId ?? 'deposit'}>
              <input type="radio" name="which" checked={i === which} onChange={() => setWhich(i)} />
              <span>
                {capital(name)}
                <span className="card-detail">{detail}</span>
              </span>
              <span className="item-amount">{showDecimal(amount)}</span>
            </label>
          ))}
        </fieldset>
      )}
      {code === null ? (
        <>
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
        </>
      ) : (
        <label className="field field-short">
          Code your bank sent you
          <input
            inputMode="numeric"
            autoComplete="one-time-code"
            autoFocus
            required
            value={code}
            onChange={({ target }) => setCode(target.value)}
          />
        </label>
      )}
      {refused && (
        <p className="refused" role="alert">
          {refused} Nothing was taken.
        </p>
      )}
      <button type="submit" className="button button-main" disabled={busy || !address}>
        {busy ? 'One moment …' : code === null ? `Pay ${showDecimal(chosen.amount)}` : 'Confirm'}
      </button>
      <p className="soft small">
        {code === null
          ? `No real card here. To try it out: ${trial.accepted} is accepted, ${trial.refused} refused, ${trial.confirmed} asks for a code, ${trial.delayed} answers later.`
          : `No real bank here. To try it out: ${trial.code} is the code.`}
      </p>
    </form>
  );
}
