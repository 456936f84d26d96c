import { showAmount, showDifference } from './display';
import type { Amount } from './fixed';
import { parseAmount, writeAmount } from './fixed';

/*
 * Arithmetic on amounts of one currency: exact, and an amount stays an amount. They are compared as they are (`a < b`,
 * `a < 0n`): amounts are whole numbers of the minor unit.
 */

/**
 * a + b. For many, see {@link sumAmounts}.
 * @param a minor units
 * @param b of the same currency
 */
export const addAmounts = (a: Amount, b: Amount): Amount => (a + b) as Amount;

/**
 * a − b.
 * @param a minor units
 * @param b of the same currency
 */
export const subtractAmounts = (a: Amount, b: Amount): Amount => (a - b) as Amount;

/**
 * −a.
 * @param a minor units
 */
export const negateAmount = (a: Amount): Amount => -a as Amount;

/**
 * The lesser of two.
 * @param a minor units
 * @param b of the same currency
 */
export const lesserAmount = (a: Amount, b: Amount): Amount => (a < b ? a : b);

/** Is a decimal as text ("-0.50") below zero? "-0.00" is not. */
export const isBelowZero = (text: string): boolean => text.startsWith('-') && /[1-9]/.test(text);

/** A decimal as text without its sign. */
export const withoutSign = (text: string): string => (text.startsWith('-') ? text.slice(1) : text);

/** Money of one currency: between amounts, canonical decimal text, and what people read. */
export interface Money {
  /** Decimal places of the currency (ISO 4217). */
  readonly digits: number;
  /** Canonical decimal text as an amount. @throws NotADecimal for other text, or more places than the currency has */
  readonly parse: (text: string) => Amount;
  /** An amount as canonical decimal text: 1250n → "12.50". */
  readonly write: (value: bigint) => string;
  /** An amount for people: 125000n → "1,250.00". */
  readonly show: (value: bigint) => string;
  /** A difference with its sign: "+1,313.20", "−40.00". */
  readonly showDifference: (value: bigint) => string;
}

const byDigits = new Map<number, Money>();

/**
 * Money of a currency with so many decimal places.
 * @param digits decimals of the currency
 */
export function moneyOf(digits: number): Money {
  const known = byDigits.get(digits);
  if (known) return known;
  const made: Money = {
    digits,
    parse: (text) => parseAmount(text, digits),
    write: (value) => writeAmount(value as Amount, digits),
    show: (value) => showAmount(value as Amount, digits),
    showDifference: (value) => showDifference(value as Amount, digits),
  };
  byDigits.set(digits, made);
  return made;
}
