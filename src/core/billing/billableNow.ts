import type { BillingAsk, ScheduleEntry } from '@/model';
import type { Amount } from '../number';
import { sumAmounts, writeAmount } from '../number';
import type { BillingContext } from '../schedule';
import { billableFrom } from '../schedule';
import type { Ledger } from './ledger';
import { billedOfEntry, positionOf } from './ledger';

/** What the schedule asks to be billed by a day and is not, and an invoice over just that. */
export interface BillableNow {
  /** Tax included; what is held back of it counts as billed. */
  readonly amount: Amount;
  /** Null: nothing is billable. */
  readonly ask: BillingAsk | null;
}

/**
 * What can be billed by the schedule on a day: the payments that are due by then, less all that is billed, by whatever path,
 * what is held back in it. Where it is just what is left of one payment, that payment is billed, else the amount.
 * @param due when each payment of the schedule is due, by its identity
 */
export function billableNow(
  ledger: Ledger,
  due: ReadonlyMap<string, Pick<ScheduleEntry, 'due' | 'kind'>>,
  since: BillingContext,
  today: string,
): BillableNow {
  const position = positionOf(ledger);
  const asked = ledger.entries.filter(({ id }) => {
    const entry = due.get(id);
    const from = entry ? billableFrom(entry, since) : null;
    return from !== null && from <= today;
  });
  const sum = sumAmounts(asked.map(({ amount }) => amount)) - position.billed - position.heldGross;
  if (sum <= 0n) return { amount: 0n as Amount, ask: null };
  const amount = sum as Amount;
  const left = asked
    .map(({ id, amount: whole }) => ({ id, left: (whole - billedOfEntry(ledger, id)) as Amount }))
    .filter((entry) => entry.left !== 0n);
  const [only] = left;
  const ask: BillingAsk =
    only && left.length === 1 && only.left === amount
      ? { entryId: only.id }
      : { amount: writeAmount(amount, ledger.minorDigits) };
  return { amount, ask };
}
