/**
 * Fixed-point numbers on `bigint`.
 *
 * Two scales and no more: a {@link Fixed} counts millionths (quantities, unit costs, unit prices, rates as a fraction of
 * one), an {@link Amount} counts the minor unit of a currency (cents). An amount is always already rounded: what is
 * shown is what is added up.
 */

/** A decimal in millionths: 12.5 is 12_500_000n. */
export type Fixed = bigint & { readonly __scale: 'millionth' };

/** Money in the currency's minor unit: 12.50 dollars are 1250n. */
export type Amount = bigint & { readonly __scale: 'minor' };

export const FIXED_DIGITS = 6;
export const ONE = 1_000_000n as Fixed;
export const ZERO_FIXED = 0n as Fixed;
export const ZERO = 0n as Amount;

/**
 * Marks a bigint as millionths.
 * @param millionths of the unit
 */
export const fixed = (millionths: bigint): Fixed => millionths as Fixed;

/**
 * Marks a bigint as minor units.
 * @param minor cents of the dollar
 */
export const amount = (minor: bigint): Amount => minor as Amount;

/** Text is not a decimal of at most six places. */
export class NotADecimal extends Error {
  constructor(readonly text: string) {
    super(`“${text}” is not a number with at most ${FIXED_DIGITS} decimal places.`);
    this.name = 'NotADecimal';
  }
}

/**
 * Integer division rounded half away from zero.
 * @param numerator any integer
 * @param denominator any integer but zero
 * @throws RangeError when the denominator is zero
 */
export function divideRounded(numerator: bigint, denominator: bigint): bigint {
  if (denominator < 0n) return divideRounded(-numerator, -denominator);
  const twice = 2n * numerator;
  return numerator >= 0n
    ? (twice + denominator) / (2n * denominator)
    : -((-twice + denominator) / (2n * denominator));
}

const powers = Array.from({ length: 40 }, (_, exponent) => 10n ** BigInt(exponent));

/**
 * Ten to a power from 0 to 39.
 * @param exponent 0 to 39
 * @throws RangeError in words, for what is out of bounds
 */
export function powerOfTen(exponent: number): bigint {
  const power = powers[exponent];
  if (power === undefined) throw new RangeError(`No power of ten for ${exponent}`);
  return power;
}

const decimalPattern = /^(-?)(\d+)(?:\.(\d+))?$/;

function parseScaled(text: string, digits: number): bigint {
  const match = decimalPattern.exec(text);
  const places = match?.[3] ?? '';
  if (!match || places.length > digits) throw new NotADecimal(text);
  const magnitude = BigInt(match[2] + places.padEnd(digits, '0'));
  return match[1] === '-' ? -magnitude : magnitude;
}

/**
 * Reads a canonical decimal such as "12.5" or "-0.25" as millionths, exactly.
 * @throws NotADecimal for anything else, or more than six places
 */
export function parseFixed(text: string): Fixed {
  return parseScaled(text, FIXED_DIGITS) as Fixed;
}

/**
 * Reads a canonical decimal as money, exactly.
 * @param minorDigits decimal places of the currency (ISO 4217), 2 for the dollar
 * @throws NotADecimal for anything else, or more places than the currency has
 */
export function parseAmount(text: string, minorDigits: number): Amount {
  return parseScaled(text, minorDigits) as Amount;
}

function writeScaled(value: bigint, digits: number): string {
  const sign = value < 0n ? '-' : '';
  const text = (value < 0n ? -value : value).toString().padStart(digits + 1, '0');
  return digits === 0 ? sign + text : `${sign}${text.slice(0, -digits)}.${text.slice(-digits)}`;
}

/**
 * Writes millionths as a decimal without trailing zeros: 12_500_000n → "12.5".
 * @param value millionths
 */
export function writeFixed(value: Fixed): string {
  const text = writeScaled(value, FIXED_DIGITS).replace(/\.?0+$/, '');
  return text === '-0' || text === '' ? '0' : text;
}

/**
 * Writes millionths with a stated number of decimals, rounded half away from zero: (12_500_000n, 2) → "12.50".
 * @param value millionths
 * @param places decimals written, 0 to 6
 */
export function writeFixedPlaces(value: Fixed, places: number): string {
  return writeScaled(divideRounded(value, powerOfTen(FIXED_DIGITS - places)), places);
}

/**
 * Writes money with the decimals of its currency: (1250n, 2) → "12.50".
 * @param value minor units
 * @param minorDigits decimals of the currency
 */
export function writeAmount(value: Amount, minorDigits: number): string {
  return writeScaled(value, minorDigits);
}

/**
 * Rounds millionths to a number of decimal places (0 to 6), half away from zero.
 * @param value millionths
 * @param places decimals kept
 */
export function roundFixed(value: Fixed, places: number): Fixed {
  const step = powerOfTen(FIXED_DIGITS - places);
  return (divideRounded(value, step) * step) as Fixed;
}

/**
 * Quantity × unit price (or × rate), rounded once to the minor unit.
 * @param quantity millionths
 * @param unit millionths of the currency a unit
 * @param minorDigits decimals of the currency
 */
export function multiplyToAmount(quantity: Fixed, unit: Fixed, minorDigits: number): Amount {
  return divideRounded(quantity * unit, powerOfTen(2 * FIXED_DIGITS - minorDigits)) as Amount;
}

/**
 * Product of two fixed numbers, rounded to millionths.
 * @param left millionths
 * @param right millionths
 */
export function multiplyFixed(left: Fixed, right: Fixed): Fixed {
  return divideRounded(left * right, ONE) as Fixed;
}

/**
 * A share of money: amount × fraction of one, rounded once to the minor unit.
 * @param whole minor units
 * @param rate millionths of one
 */
export function shareOf(whole: Amount, rate: Fixed): Amount {
  return divideRounded(whole * rate, ONE) as Amount;
}

/** A percentage as text to a fraction of one: "8.25" → 82_500n millionths. At most four places. */
export function parsePercent(text: string): Fixed {
  return parseScaled(text, 4) as Fixed;
}

/**
 * The ratio of two integers as millionths, rounded; null when the denominator is zero (shown as empty, not as 0).
 * @param numerator any integer
 * @param denominator any integer
 */
export function ratio(numerator: bigint, denominator: bigint): Fixed | null {
  return denominator === 0n ? null : (divideRounded(numerator * ONE, denominator) as Fixed);
}

/** Sum of amounts. */
export function sumAmounts(values: Iterable<Amount>): Amount {
  let sum = 0n;
  for (const value of values) sum += value;
  return sum as Amount;
}

/** Sum of fixed numbers. */
export function addFixed(values: Iterable<Fixed>): Fixed {
  let sum = 0n;
  for (const value of values) sum += value;
  return sum as Fixed;
}
