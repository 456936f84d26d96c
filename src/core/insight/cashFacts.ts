import type { Amount } from '../number';

/** Money that came in (above zero) or went out on a day. */
export interface CashEvent {
  readonly day: string;
  readonly amount: Amount;
}

/** Cash of a job when a day was over. */
export interface CashDay {
  readonly day: string;
  readonly in: Amount;
  readonly out: Amount;
  /** The lowest on that day: money goes out before it comes in. */
  readonly lowest: Amount;
  /** All that came in so far, less all that went out. */
  readonly balance: Amount;
}

/**
 * The cash of a job by the facts: what customers paid against what was spent, day by day, and the lowest it was. On one day
 * money goes out before it comes in, so that the lowest point is not flattered.
 */
export function cashFromFacts(events: readonly CashEvent[]): {
  readonly days: readonly CashDay[];
  readonly lowest: { readonly day: string; readonly balance: Amount } | null;
} {
  const days = [...new Set(events.map(({ day }) => day))].sort();
  let balance = 0n;
  let lowest: { day: string; balance: Amount } | null = null;
  const rows = days.map((day): CashDay => {
    const own = events.filter((event) => event.day === day);
    const sum = (of: (amount: bigint) => boolean) =>
      own.reduce((all, { amount }) => (of(amount) ? all + amount : all), 0n);
    const out = -sum((amount) => amount < 0n);
    const came = sum((amount) => amount > 0n);
    balance -= out;
    const low = balance as Amount;
    if (low < (lowest?.balance ?? 0n)) lowest = { day, balance: low };
    balance += came;
    return { day, in: came as Amount, out: out as Amount, lowest: low, balance: balance as Amount };
  });
  return { days: rows, lowest };
}
