import type { LibraryItem, Line, UnitCode } from '@/model';
import { fromUnit, inUnit, toPlaces } from '../formula';
import { parseFixed, reduced, roundFixed, writeFixed } from '../number';
import type { TypedLine } from '../quantity';
import { lineFromItem, plainLine } from './lineFromItem';

const inItsUnit = (quantity: string, from: UnitCode, to: UnitCode): string | null => {
  if (from === to) return quantity;
  const value = inUnit(fromUnit(reduced(parseFixed(quantity), 1_000_000n), from), to);
  return typeof value === 'string' ? null : writeFixed(toPlaces(value, 3));
};

const held = (typed: TypedLine): Pick<Line, 'heldPrice'> =>
  typed.price === undefined ? {} : { heldPrice: writeFixed(roundFixed(parseFixed(typed.price), 2)) };

/**
 * A line of a library item as it was typed: `380 sf screen mesh @2.15`. A quantity in another unit of the same kind is
 * converted (2 squares are 200 sq ft); one in a unit that does not fit is kept and marked to be looked at.
 */
export function lineAsTyped(item: LibraryItem, id: string, typed: TypedLine): Line {
  const { quantity, unit } = typed;
  const fitting = quantity === null || unit === undefined ? quantity : inItsUnit(quantity, unit, item.unit);
  const line = lineFromItem(item, id, fitting);
  return {
    ...line,
    ...(fitting === null && quantity !== null ? { quantity, quantityOpen: true } : {}),
    ...held(typed),
  };
}

/** A line of one's own as it was typed. */
export const ownLineAsTyped = (typed: TypedLine, id: string, taxClass: string): Line => ({
  ...plainLine(id, typed.words, typed.quantity, taxClass),
  ...(typed.unit === undefined ? {} : { unit: typed.unit }),
  ...held(typed),
});
