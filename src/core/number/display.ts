import type { Amount, Fixed } from './fixed';
import { FIXED_DIGITS, divideRounded, powerOfTen, writeAmount, writeFixed, writeFixedPlaces } from './fixed';

const minus = '−';

/** How numbers are written: US English, as the words around them. */
const LOCALE = 'en-US';

/** Formatters by how many places they write; there are at most seven. */
const formatters = new Map<number, Intl.NumberFormat>();

function formatterOf(places: number): Intl.NumberFormat {
  let found = formatters.get(places);
  if (!found) {
    found = new Intl.NumberFormat(LOCALE, {
      minimumFractionDigits: places,
      maximumFractionDigits: places,
    });
    formatters.set(places, found);
  }
  return found;
}

const isDecimal = (text: string): text is `${number}` => /^-?\d+(\.\d{1,20})?$/.test(text);

/**
 * A decimal as text with its thousands set apart and a true minus sign, every digit of it kept: `Intl` reads the text and no
 * binary number. What is no decimal stays as it is.
 */
function grouped(decimal: string): string {
  if (!isDecimal(decimal)) return decimal;
  const places = decimal.split('.')[1]?.length ?? 0;
  return formatterOf(places).format(decimal).replace('-', minus);
}

/**
 * Money for people: thousands grouped, a true minus sign, the currency's decimals, no currency mark.
 * @param value minor units
 * @param minorDigits decimals of the currency
 */
export function showAmount(value: Amount, minorDigits: number): string {
  return grouped(writeAmount(value, minorDigits));
}

/** Is a decimal as text zero, in whatever currency? */
export const isNothing = (text: string): boolean => /^-?0+(\.0+)?$/.test(text);

/** A decimal as text on the other side of zero; zero stays as it is. */
export const opposite = (text: string): string =>
  isNothing(text) ? text : text.startsWith('-') ? text.slice(1) : `-${text}`;

/** A decimal amount as text ("1234.50") for people, without a change of its value. */
export function showDecimal(text: string): string {
  return grouped(text);
}

/**
 * A difference in money with its sign always shown: "+1,313.20", "−40.00", "0.00".
 * @param value minor units
 * @param minorDigits decimals of the currency
 */
export function showDifference(value: Amount, minorDigits: number): string {
  return (value > 0n ? '+' : '') + showAmount(value, minorDigits);
}

/**
 * A unit cost or unit price: at least two places, up to `most` where there is more to show.
 * @param value millionths
 */
export function showUnitAmount(value: Fixed, most = 4): string {
  const exact = writeFixed(value).split('.')[1]?.length ?? 0;
  return grouped(writeFixedPlaces(value, Math.max(2, Math.min(most, exact))));
}

/**
 * A quantity without trailing zeros.
 * @param value millionths
 */
export function showQuantity(value: Fixed): string {
  return grouped(writeFixed(value));
}

/**
 * A fraction of one as a percentage with stated places: (262_000n, 1) → "26.2".
 * @param rate millionths of one
 */
export function showPercent(rate: Fixed, places = 1): string {
  return grouped(
    writeFixedPlaces(
      divideRounded(rate * 100n * powerOfTen(FIXED_DIGITS), powerOfTen(FIXED_DIGITS)) as Fixed,
      places,
    ),
  );
}

/**
 * A fraction of one as a percentage with its sign, one place: 31_000n → “+3.1 %”.
 * @param rate millionths of one
 */
export const showSignedPercent = (rate: Fixed): string => `${rate > 0n ? '+' : ''}${showPercent(rate)} %`;
