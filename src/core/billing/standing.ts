import type { Amount } from '../number';
import { ZERO, subtractAmounts, sumAmounts } from '../number';
import type { InvoiceStanding } from './invoiceStanding';

/** Money of one agreement: what it comes to, what is billed, paid and left. */
export interface Standing {
  readonly sumToDate: Amount;
  readonly billed: Amount;
  readonly paid: Amount;
  readonly leftToBill: Amount;
  readonly billedUnpaid: Amount;
}

/**
 * Standing of an agreement from where its bills stand and what is on its invoices. Paid is money received that is on them,
 * less what was paid back of invoices that were taken back; credit notes are no money, and money on no invoice is the
 * customer's credit.
 * @param paidBack what was paid back out of credit notes of the agreement
 */
export function standingOf(
  { sumToDate, billed }: { readonly sumToDate: Amount; readonly billed: Amount },
  invoices: readonly Pick<InvoiceStanding, 'paid' | 'open'>[],
  paidBack: Amount = ZERO,
): Standing {
  return {
    sumToDate,
    billed,
    paid: (sumAmounts(invoices.map(({ paid }) => paid)) - paidBack) as Amount,
    leftToBill: subtractAmounts(sumToDate, billed),
    billedUnpaid: sumAmounts(invoices.map(({ open }) => open)),
  };
}

/**
 * Puts a payment on invoices, in the order given (oldest first), each up to what is open. What is over is the
 * customer's credit.
 * @param payment above zero
 */
export function allocatePayment(
  payment: Amount,
  invoices: readonly { readonly id: string; readonly open: Amount }[],
): { readonly parts: readonly { readonly id: string; readonly amount: Amount }[]; readonly credit: Amount } {
  let left: bigint = payment;
  const parts: { id: string; amount: Amount }[] = [];
  for (const { id, open } of invoices) {
    if (left <= 0n) break;
    if (open <= 0n) continue;
    const part = left < open ? left : open;
    parts.push({ id, amount: part as Amount });
    left -= part;
  }
  return { parts, credit: left > 0n ? (left as Amount) : ZERO };
}

/** One cut of the track: a payment entry, and how much of it is earned, billed and paid, filled from the left. */
export interface TrackCut {
  readonly id: string;
  readonly name: string;
  readonly amount: Amount;
  readonly earned: Amount;
  readonly billed: Amount;
  readonly paid: Amount;
}

/** Pours a sum over amounts in order: each is filled before the next. */
function poured(sum: Amount, amounts: readonly Amount[]): Amount[] {
  let left: bigint = sum;
  return amounts.map((room) => {
    const part = left <= 0n ? 0n : left < room ? left : room;
    left -= part;
    return part as Amount;
  });
}

/** The track of an agreement: earned, billed and paid poured over the payment entries in order. */
export function trackOf(
  payments: readonly { readonly id: string; readonly name: string; readonly amount: Amount }[],
  { earned, billed, paid }: { readonly earned: Amount; readonly billed: Amount; readonly paid: Amount },
): TrackCut[] {
  const amounts = payments.map(({ amount }) => amount);
  const [ofEarned, ofBilled, ofPaid] = [earned, billed, paid].map((sum) => poured(sum, amounts));
  return payments.map(({ id, name, amount }, i) => ({
    ...{ id, name, amount },
    earned: ofEarned![i]!,
    billed: ofBilled![i]!,
    paid: ofPaid![i]!,
  }));
}
