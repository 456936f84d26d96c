import type { LineAsk } from '@/model';
import type { Amount } from '../number';
import {
  ONE,
  addAmounts,
  allocateSigned,
  divideRounded,
  moneyOf,
  parseAmount,
  parsePercent,
  subtractAmounts,
  sumAmounts,
  writeAmount,
} from '../number';
import { parseSignedMoneyInput, readPercent } from '../quantity';
import { BillingError } from './draws';
import type { WorkRow } from './progressBilling';
import { asksUpTo } from './progressBilling';

type ByLine = Extract<LineAsk, { line: string }>;

/** What was typed to bill rows: up to a percent of what was agreed, or a net amount this time. */
export type TypedAsk =
  { readonly percent: string; readonly more: boolean } | { readonly amount: string; readonly more: boolean };

/**
 * Reads what is typed to bill work, in whatever cell: `25%` is a percent to date and `$1,000.00` a net amount this time; a
 * number alone is what its column says. A plus before it adds to what stands there.
 * @param column what a number alone is
 * @param minorDigits decimals of the currency
 * @returns the ask; an empty text is nothing this time
 * @throws Error with a sentence, for what cannot be read
 */
export function readTypedAsk(text: string, column: 'percent' | 'amount', minorDigits: number): TypedAsk {
  const typed = text.trim().replace('−', '-');
  const more = typed.startsWith('+');
  const plain = typed.replace(/^\+\s*/, '');
  const isPercent = plain.includes('%') || (column === 'percent' && !plain.includes('$'));
  if (isPercent) return { percent: readPercent(plain || '0', 100), more };
  return { amount: parseSignedMoneyInput(plain || '0', minorDigits), more };
}

/** Asks that bill so much of each row this time; of a row that bills something now, also nothing. */
const asksOf = (rows: readonly WorkRow[], amounts: readonly Amount[], minorDigits: number): ByLine[] =>
  rows.flatMap(({ line, now }, i) => {
    const amount = amounts[i]!;
    return amount === 0n && now === 0n
      ? []
      : [{ line: line.id, to: { amount: writeAmount(amount, minorDigits) } }];
  });

/** A net amount over rows in proportion to what is left of each, to the cent. */
function spread(rows: readonly WorkRow[], amount: Amount, minorDigits: number): Amount[] {
  const parts = rows.map(({ agreed, before }) => subtractAmounts(agreed, before));
  const left = sumAmounts(parts);
  const beyond = left < 0n ? amount > 0n || amount < left : amount < 0n || amount > left;
  if (beyond)
    throw new BillingError(`From 0 to ${moneyOf(minorDigits).show(left)} can be billed here this time.`);
  return amount === 0n ? rows.map(() => amount) : allocateSigned(amount, parts);
}

/**
 * What was typed for one or several rows (a line, a bundle, a section, a selection, all work), as asks by line.
 * A percent leaves rows that are billed further as they are; a percent more is of what was agreed, and stops at what is left of
 * each. An amount is shared over the rows in proportion to what is left of each, and they come to it exactly.
 * @param rows as they stand with what is asked for now
 * @param minorDigits decimals of the currency
 * @throws BillingError in words, for more than is left, or where all is billed further
 */
export function asksTyped(rows: readonly WorkRow[], typed: TypedAsk, minorDigits: number): ByLine[] {
  if ('amount' in typed) {
    const amount = parseAmount(typed.amount, minorDigits);
    const now = typed.more ? addAmounts(sumAmounts(rows.map((row) => row.now)), amount) : amount;
    // One row says itself what it cannot.
    if (rows.length === 1) return [{ line: rows[0]!.line.id, to: { amount: writeAmount(now, minorDigits) } }];
    return asksOf(rows, spread(rows, now, minorDigits), minorDigits);
  }
  if (!typed.more) {
    if (rows.length === 1) return [{ line: rows[0]!.line.id, to: { percent: typed.percent } }];
    const asks = asksUpTo(rows, typed.percent);
    if (asks.length === 0) throw new BillingError('All of this is billed further already.');
    return asks;
  }
  const share = parsePercent(typed.percent);
  return asksOf(
    rows,
    rows.map(({ agreed, before, now }) => {
      const left = subtractAmounts(agreed, before);
      const wanted = addAmounts(now, divideRounded(agreed * share, ONE) as Amount);
      return (agreed < 0n ? wanted < left : wanted > left) ? left : wanted;
    }),
    minorDigits,
  );
}
