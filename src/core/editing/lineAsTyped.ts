import type { LibraryItem, Line, UnitCode } from '@/model';
import { fromUnit, inUnit, toPlaces } from '../formula';
import { parseFixed, reduced, roundFixed, writeFixed } from '../number';
import type { TypedLine } from '../quantity';
import { sizeTyped } from '../quantity';
import { lineFromItem, plainLine } from './lineFromItem';

/** Whether a quantity in one unit can be said in another. */
const convertible = (from: UnitCode, to: UnitCode): boolean =>
  from === to || typeof inUnit(fromUnit(reduced(1n, 1n), from), to) !== 'string';

const tokens = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/(\d)\s*x\s*(?=\d)/g, '$1×')
    .split(/[^\p{L}\p{N}×/.½¼¾]+/u)
    .filter((word) => word !== '');

/**
 * Whether an item is what a typed line means, for lines that nobody picks one by one: every word that was typed is one of
 * the item's (or the beginning of one, of four letters or more), at least half of the words of the item's name were typed, and
 * the unit can be said in the item's.
 */
export function fitsWell(typed: TypedLine, item: LibraryItem): boolean {
  if (typed.unit !== undefined && !convertible(typed.unit, item.unit)) return false;
  const asked = tokens(typed.words);
  if (asked.length === 0) return false;
  const code = item.code.toLowerCase();
  if ([typed.words, typed.code].some((text) => text?.trim().toLowerCase() === code)) return true;
  const name = tokens(item.name);
  const fits = (word: string, of: string) => of === word || (word.length >= 4 && of.startsWith(word));
  const known = [...name, ...tokens(item.code), ...item.tags.flatMap(tokens)];
  if (!asked.every((word) => known.some((of) => fits(word, of)))) return false;
  const named = name.filter((of) => asked.some((word) => fits(word, of))).length;
  return named * 2 >= name.length;
}

const inItsUnit = (quantity: string, from: UnitCode, to: UnitCode): string | null => {
  if (from === to) return quantity;
  const value = inUnit(fromUnit(reduced(parseFixed(quantity), 1_000_000n), from), to);
  return typeof value === 'string' ? null : writeFixed(toPlaces(value, 3));
};

/** What an amount behind a typed line is; `both`: cost and price each as a column says it. */
export type AmountIs = 'price' | 'cost' | 'both' | 'nothing';

const priced = (
  typed: TypedLine,
  amountIs: AmountIs,
): Pick<Line, 'heldPrice' | 'typedCost' | 'pricePlaces'> => {
  const cost =
    amountIs === 'cost' ? (typed.cost ?? typed.price) : amountIs === 'both' ? typed.cost : undefined;
  const price =
    amountIs === 'price' ? (typed.price ?? typed.cost) : amountIs === 'both' ? typed.price : undefined;
  return {
    ...(cost === undefined ? {} : { typedCost: cost }),
    ...(price === undefined
      ? {}
      : { heldPrice: writeFixed(roundFixed(parseFixed(price), typed.places ?? 2)) }),
    ...(price === undefined || typed.places === undefined ? {} : { pricePlaces: typed.places }),
  };
};

/** Arithmetic in a cell stays with the quantity it came to. */
const asTyped = ({ typed }: TypedLine): Pick<Line, 'quantityTyped'> =>
  typed === undefined ? {} : { quantityTyped: typed.slice(0, 200) };

/** A size typed in another unit stays with what it came to: `12 m2`. */
function inOtherUnit(typed: TypedLine): Pick<Line, 'quantityTyped'> {
  const text = sizeTyped(typed);
  return text === null || text === typed.quantity ? {} : { quantityTyped: text };
}

/**
 * A line of a library item as it was typed: `380 sf screen mesh @2.15`. A quantity in another unit of the same kind is
 * converted (2 squares are 200 sq ft); one in a unit that does not fit is kept and marked to be looked at.
 * @param amountIs what the amount behind it is: the price by default
 */
export function lineAsTyped(
  item: LibraryItem,
  id: string,
  typed: TypedLine,
  amountIs: AmountIs = 'price',
): Line {
  const { quantity, unit } = typed;
  const fitting = quantity === null || unit === undefined ? quantity : inItsUnit(quantity, unit, item.unit);
  const line = lineFromItem(item, id, fitting);
  return {
    ...line,
    ...(fitting === quantity ? asTyped(typed) : inOtherUnit(typed)),
    ...(fitting === null && quantity !== null ? { quantity, quantityOpen: true } : {}),
    ...priced(typed, amountIs),
  };
}

/** A line of one's own as it was typed. */
export const ownLineAsTyped = (
  typed: TypedLine,
  id: string,
  taxClass: string,
  amountIs: AmountIs = 'price',
): Line => ({
  ...plainLine(id, typed.words, typed.quantity, taxClass),
  ...(typed.unit === undefined ? {} : { unit: typed.unit }),
  ...(typed.code === undefined ? {} : { code: typed.code.slice(0, 40) }),
  ...asTyped(typed),
  ...priced(typed, amountIs),
});
