import type { UnitCode } from '@/model';
import { FormulaError, evaluate, inUnit, readFormula, toPlaces } from '../formula';
import type { Fixed } from '../number';
import { powerOfTen } from '../number';

/** What may be typed at most: as much as a line keeps beside its quantity. Also bounds the work. */
const LONGEST = 200;

/**
 * Reads what a person types as a quantity or an amount, wherever one is typed: a number (`1,250.5`, `$1,250.50`,
 * `1 250.5`), arithmetic (`38+64+22`, `2*(12+9.5)`) and lengths in
 * feet and inches (`12' 6"`, `12ft 6 1/2in`) or metric (`3.6m`), areas and volumes (`12 m2`, `3 cu yd`). What has a unit
 * becomes feet, square or cubic feet, or what the unit asks.
 *
 * @param text what was typed
 * @param options.locale whose decimal sign and thousands the numbers have, `en-US` by default; what another locale would
 * read otherwise (`12,5`) is refused with both ways to write it
 * @param options.unit in what the quantity is wanted: 3.6 m are 11.811 ft; a bare number is in it already
 * @param options.blanks whether blanks may set thousands apart; not where a number ends at a blank
 * @param places decimal places of the result, 3 by default; the result is rounded to them once, half away from zero
 * @throws FormulaError with a sentence and the place for text that is none of these, and for a division by zero
 */
export function parseQuantity(
  text: string,
  places = 3,
  {
    locale = 'en-US',
    blanks = true,
    unit,
  }: { readonly locale?: string; readonly blanks?: boolean; readonly unit?: UnitCode } = {},
): Fixed {
  const value = evaluate(
    readFormula(text, { names: false, longest: LONGEST, locale, blanks }),
    () => undefined,
  );
  if (value.kind !== 'number') throw new FormulaError('Type a quantity.', 0);
  const ratio = unit === undefined ? value.ratio : inUnit(value, unit);
  if (typeof ratio === 'string') throw new FormulaError(ratio, 0);
  const rounded = toPlaces(ratio, places);
  if (rounded >= powerOfTen(18) || rounded <= -powerOfTen(18))
    throw new FormulaError('That is too large.', 0);
  return rounded;
}
