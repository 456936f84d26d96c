import type { Amount } from '../number';
import { ONE, parsePercent, shareOf, writeAmount, writeFixed } from '../number';
import type { Discount } from '@/model';
import { parseQuantity } from './parseQuantity';

/**
 * A percentage as typed, from 0 to `most`.
 * @throws Error with a sentence, for what cannot be read
 */
export function readPercent(text: string, most = 999): string {
  const value = parseQuantity(text.replace(/%/g, ''), 4);
  if (value < 0n || value > BigInt(most) * ONE) throw new Error(`This percentage goes from 0 to ${most}.`);
  return writeFixed(value);
}

/**
 * A money amount as typed, not negative, in the decimals of the currency.
 * @param minorDigits decimals of the currency
 * @throws Error with a sentence, for what cannot be read
 */
export function parseMoneyInput(text: string, minorDigits: number): string {
  const value = parseQuantity(text, minorDigits);
  if (value < 0n) throw new Error('Type an amount of 0 or more.');
  return writeFixed(value);
}

/**
 * An amount typed as money, or as a percent of a whole: `400`, `$1,000.00`, `25%`; not negative, rounded to the decimals
 * of the currency.
 * @param whole minor units the percent is of
 * @param minorDigits decimals of the currency
 * @throws Error with a sentence, for what cannot be read
 */
export const readPartOf = (text: string, whole: Amount, minorDigits: number): string =>
  text.includes('%')
    ? writeAmount(shareOf(whole, parsePercent(readPercent(text, 100))), minorDigits)
    : parseMoneyInput(text, minorDigits);

/**
 * A money amount as typed, below zero too: less work. In the decimals of the currency.
 * @param minorDigits decimals of the currency
 */
export const parseSignedMoneyInput = (text: string, minorDigits: number): string =>
  writeFixed(parseQuantity(text, minorDigits));

/**
 * A discount as typed: `5%` takes off a share, `400` an amount; empty takes it away.
 * @param minorDigits decimals of the currency
 */
export function readDiscount(text: string, minorDigits: number): Discount | null {
  if (text.trim() === '') return null;
  return text.includes('%')
    ? { percent: readPercent(text, 100) }
    : { amount: parseMoneyInput(text, minorDigits) };
}

/** A discount as it is typed. */
export const discountAsTyped = (discount: Discount | undefined): string =>
  discount ? ('percent' in discount ? `${discount.percent} %` : discount.amount) : '';
