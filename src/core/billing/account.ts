import type { Amount } from '../number';
import { sumAmounts } from '../number';

/** Something that changes what a customer owes: above zero, they owe more. */
export interface AccountEvent {
  readonly day: string;
  readonly amount: Amount;
}

/** A customer's account over some days. */
export interface Account<E extends AccountEvent> {
  /** Owed when the first day began. */
  readonly opening: Amount;
  /** In the order of the days; what happened on one day stays in the order given. */
  readonly rows: readonly (E & { readonly balance: Amount })[];
  /** Owed when the last day was over; below zero, it is the customer's credit. */
  readonly closing: Amount;
}

/** A customer's account from one day to another, with the balance after each event. */
export function accountOf<E extends AccountEvent>(
  events: readonly E[],
  from: string,
  to: string,
): Account<E> {
  const opening = sumAmounts(events.filter(({ day }) => day < from).map(({ amount }) => amount));
  let balance: bigint = opening;
  const rows = events
    .filter(({ day }) => day >= from && day <= to)
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
    .map((event) => {
      balance += event.amount;
      return { ...event, balance: balance as Amount };
    });
  return { opening, rows, closing: balance as Amount };
}
