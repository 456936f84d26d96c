import type { UnitCode } from '@/model';
import type { Fixed, Ratio } from '../number';
import { FIXED_DIGITS, divideRounded, powerOfTen } from '../number';
import type { Scope } from './evaluate';
import { evaluate } from './evaluate';
import { knownFormula } from './read';
import { FormulaError } from './tree';
import { inUnit } from './value';

/** The most a computed quantity may come to; more is a slip, not a job. */
export const LARGEST_QUANTITY = 1_000_000n;

/**
 * A ratio as a quantity: rounded once to the places, half away from zero.
 * @param ratio exact
 * @param places decimals kept, 0 to 6
 */
export const toPlaces = (ratio: Ratio, places: number): Fixed =>
  (divideRounded(ratio.top * powerOfTen(places), ratio.bottom) * powerOfTen(FIXED_DIGITS - places)) as Fixed;

/**
 * Computes a formula as a quantity in a unit, rounded to its places (3) once. A volume becomes cubic yards or board
 * feet, an area squares, as the unit asks.
 * @throws FormulaError with a sentence and the place, also for a result below zero or past {@link LARGEST_QUANTITY}
 */
export function formulaQuantity(formula: string, unit: UnitCode, scope: Scope, places = 3): Fixed {
  const tree = knownFormula(formula);
  const value = evaluate(tree, scope);
  if (value.kind !== 'number')
    throw new FormulaError('This is no quantity. Use if(condition, quantity, 0).', tree.at);
  const ratio = inUnit(value, unit);
  if (typeof ratio === 'string') throw new FormulaError(ratio, 0);
  const quantity = toPlaces(ratio, places);
  if (quantity < 0n) throw new FormulaError('This comes to less than nothing. Check the sizes.', 0);
  if (quantity > LARGEST_QUANTITY * powerOfTen(FIXED_DIGITS))
    throw new FormulaError('This comes to more than a million. Check the sizes.', 0);
  return quantity;
}
