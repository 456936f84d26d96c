import type { Contract, SpreadWay } from '@/model';
import type { Amount } from '../number';
import { ZERO, addAmounts, moneyOf } from '../number';
import { spreadChange } from '../schedule/spreadChange';

/** What a change order does to an agreement: its sum, the tax in it and its payments, before and after. */
export interface ChangeEffect {
  readonly minorDigits: number;
  readonly change: Amount;
  readonly sum: BeforeAfter;
  readonly tax: BeforeAfter;
  /** The payments in order, an entry of the change's own last (its `before` is zero). They sum to the sums. */
  readonly entries: readonly (BeforeAfter & {
    readonly id: string;
    readonly name: string;
    readonly billed: boolean;
  })[];
}

interface BeforeAfter {
  readonly before: Amount;
  readonly after: Amount;
}

/**
 * The id of the payment entry a change order has of its own.
 * @param number the change order's number
 */
export const ownEntryId = (number: number): string => `c${number}`;

/**
 * The name of that entry.
 * @param number the change order's number
 * @param amount what it changes of the sum, with tax
 */
export const ownEntryName = (number: number, amount: Amount): string =>
  amount < 0n ? `Credit of change order ${number}` : `Change order ${number}`;

/**
 * Works out what signing a change order would do. The same in the browser and on the server.
 *
 * @param total of the change order, tax in it; below zero where it leaves work out
 * @param taxTotal the tax in that
 */
export function changeEffect(
  contract: Contract,
  { total, taxTotal }: { readonly total: Amount; readonly taxTotal: Amount },
  terms: { readonly number: number; readonly spread: SpreadWay },
): ChangeEffect {
  const money = moneyOf(contract.minorDigits);
  const before = contract.entries.map(({ id, name, amount, billed }) => ({
    id,
    name,
    amount: money.parse(amount),
    billed,
  }));
  const { changes, own } = spreadChange(before, total, terms.spread);
  const added = new Map(changes.map(({ id, amount }) => [id, amount]));
  const [sum, tax] = [money.parse(contract.sum), money.parse(contract.tax)];
  return {
    minorDigits: contract.minorDigits,
    change: total,
    sum: { before: sum, after: addAmounts(sum, total) },
    tax: { before: tax, after: addAmounts(tax, taxTotal) },
    entries: [
      ...before.map(({ id, name, amount, billed }) => ({
        id,
        name,
        billed,
        before: amount,
        after: (amount + (added.get(id) ?? 0n)) as Amount,
      })),
      ...(own === 0n
        ? []
        : [
            {
              id: ownEntryId(terms.number),
              name: ownEntryName(terms.number, own),
              billed: false,
              before: ZERO,
              after: own,
            },
          ]),
    ],
  };
}
