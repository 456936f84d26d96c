import type { SpreadWay } from '@/model';
import type { Amount } from '../number';
import { allocate } from '../number';

/** A payment entry a change order may add to. */
export interface OpenEntry {
  readonly id: string;
  readonly amount: Amount;
  /** An invoice has been issued for it; it does not change any more. */
  readonly billed: boolean;
}

export interface SpreadChange {
  /** What is added to entries, by id; only where it is not zero. */
  readonly changes: readonly { readonly id: string; readonly amount: Amount }[];
  /** What becomes an entry of its own. */
  readonly own: Amount;
}

/** The most of a reduction each entry can bear, the asked first and the others after it. */
function takenInOrder(entries: readonly OpenEntry[], off: bigint): bigint[] {
  let left = off;
  return entries.map(({ amount }) => {
    const part = amount <= 0n ? 0n : left < amount ? left : amount;
    left -= part;
    return part;
  });
}

/**
 * Puts the total of a change order on the payment schedule: over the unbilled entries by what they come to, on the next
 * of them, on the last, or as an entry of its own. No entry falls below zero: what a reduction cannot take from the
 * entries asked for is taken from the others, next one first (from the last: the one before it), and what none of them
 * can bear is an entry of its own, in the customer's favour. Without an unbilled entry all of it is one of its own.
 * Changes and the entry of its own sum to the change.
 * @param change what the change order changes of the sum, with tax
 */
export function spreadChange(entries: readonly OpenEntry[], change: Amount, way: SpreadWay): SpreadChange {
  const open = entries.filter(({ billed }) => !billed);
  if (open.length === 0 || way === 'own') return { changes: [], own: change };
  const ordered = way === 'last' ? [...open].reverse() : open;
  const sum = open.reduce((total, { amount }) => total + (amount > 0n ? amount : 0n), 0n);
  let parts: bigint[];
  if (change >= 0n)
    parts =
      way === 'spread'
        ? allocate(
            change,
            ordered.map(({ amount }) => (amount > 0n ? amount : (0n as Amount))),
          )
        : ordered.map((_, i) => (i === 0 ? change : 0n));
  else {
    const off = -change < sum ? -change : sum;
    parts = (
      way === 'spread' && sum > 0n
        ? allocate(
            off as Amount,
            ordered.map(({ amount }) => (amount > 0n ? amount : (0n as Amount))),
          )
        : takenInOrder(ordered, off)
    ).map((part) => -part);
  }
  const changes = ordered
    .map(({ id }, i) => ({ id, amount: parts[i]! as Amount }))
    .filter(({ amount }) => amount !== 0n);
  const spread = changes.reduce((total, { amount }) => total + amount, 0n);
  return { changes, own: (change - spread) as Amount };
}
