import type { Amount } from '../number';
import { ZERO, addAmounts, subtractAmounts, sumAmounts } from '../number';

/** An agreement that a payment can go on, with what is open on it. */
export interface PayableAgreement {
  readonly id: string;
  readonly invoices: readonly { readonly dueOn: string; readonly open: Amount }[];
}

/**
 * Shares one sum that came in over several agreements of a customer: to the open invoices, those due first; what is over is
 * credit on the agreement that stands first.
 * @param amount above zero, minor units
 * @param agreements at least one, the newest first
 * @returns agreements with what they get, above zero, in the order given; together just the amount
 */
export function sharePayment(
  amount: Amount,
  agreements: readonly PayableAgreement[],
): { readonly id: string; readonly amount: Amount }[] {
  const shares = new Map<string, Amount>();
  const put = (id: string, part: Amount) => shares.set(id, addAmounts(shares.get(id) ?? ZERO, part));
  let left: Amount = amount;
  const open = agreements
    .flatMap(({ id, invoices }) => invoices.map((invoice) => ({ id, ...invoice })))
    .filter((invoice) => invoice.open > 0n)
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : 0));
  for (const { id, open: due } of open) {
    if (left <= 0n) break;
    const part = left < due ? left : due;
    put(id, part);
    left = subtractAmounts(left, part);
  }
  if (left > 0n) put(agreements[0]!.id, left);
  return agreements.flatMap(({ id }) => {
    const share = shares.get(id) ?? ZERO;
    return share > 0n ? [{ id, amount: share }] : [];
  });
}

/** What is open on an agreement. */
export const openOn = ({ invoices }: PayableAgreement): Amount =>
  sumAmounts(invoices.map(({ open }) => open));

/**
 * What of a sum is on nothing yet; below zero, more was put on agreements than came in.
 * @param amount minor units
 * @param parts minor units
 */
export const notShared = (amount: Amount, parts: readonly Amount[]): Amount =>
  subtractAmounts(amount, sumAmounts(parts));
