import { useState } from 'react';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { AgreedShown } from './types';
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
  trialCode,
}: {
  agreement: AgreedShown;
  currency: string;
  address: string | null;
  /** What the stand-in of a bank sends. */
  trialCode: string;
}) {
  const all = payable(agreement);
  /** What was picked to be paid, by its invoice; undefined: nothing yet. */
  const [picked, setPicked] = useState<string | null | undefined>(undefined);
  const { code, setCode, trouble, busy, back, tried, pay } = usePay(address);
  const wanted = picked === undefined ? tried : picked;
  const chosen = all.find(({ invoiceId }) => invoiceId === wanted) ?? all[0];
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
      {all.length > 1 && back === null && (
        <fieldset className="pay-which">
          <legend>What do you pay?</legend>
          {all.map(({ invoiceId, name, amount, detail }) => (
            <label key={invoiceId ?? 'deposit'}>
              <input
                type="radio"
                name="which"
                checked={invoiceId === chosen.invoiceId}
                onChange={() => setPicked(invoiceId)}
              />
              <span>
                {capital(name)}
                <span className="card-detail">{detail}</span>
              </span>
              <span className="item-amount">{showDecimal(amount)}</span>
            </label>
          ))}
        </fieldset>
      )}
      {code !== null && (
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
      {trouble && (
        <p className="refused" role="alert">
          {trouble.detail}
          {trouble.sure && ' Nothing was taken.'}
        </p>
      )}
      <button type="submit" className="button button-main" disabled={busy || !address}>
        {busy
          ? 'One moment …'
          : code !== null
            ? 'Confirm'
            : back
              ? 'Look once more'
              : `Pay ${showDecimal(chosen.amount)} by card`}
      </button>
      <p className="soft small">
        {code === null
          ? 'Your card is typed on a page of the card service; we never see its number.'
          : `No real bank here. To try it out: ${trialCode} is the code.`}
      </p>
    </form>
  );
}
