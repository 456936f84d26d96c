import type { Measuring, UnitCode } from '@/model';
import { unitName } from '@/model';
import type { Ratio } from '../number';
import { integer, reduced, times } from '../number';

/**
 * What a name stands for, or what a formula comes to. Lengths are in feet, areas in square feet, volumes in cubic feet:
 * `exponent` is the power of the foot. It is `firm` where it follows from dimensions and not from a bare number, which
 * may mean anything; only firm ones are held against each other.
 */
export type Value =
  | { readonly kind: 'number'; readonly ratio: Ratio; readonly exponent: number; readonly firm: boolean }
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'truth'; readonly truth: boolean };
export type NumberValue = Extract<Value, { kind: 'number' }>;

/**
 * A number with its dimension.
 * @param ratio exact, in feet to the exponent
 * @param exponent 0 a number, 1 a length, 2 an area, 3 a volume
 */
export const numberValue = (ratio: Ratio, exponent: number, firm = true): NumberValue => ({
  kind: 'number',
  ratio,
  exponent,
  firm,
});

const dimensions = ['a number', 'a length', 'an area', 'a volume'];

/**
 * The dimension of a value in words: “an area”.
 * @param exponent 0 a number, 1 a length, 2 an area, 3 a volume
 */
export const dimensionName = (exponent: number): string =>
  dimensions[exponent] ?? `feet to the power of ${exponent}`;

/** A foot in meters: 0.3048 exactly (NIST SP 811, the international foot). */
const foot = reduced(3048n, 10_000n);

/**
 * How many units make one (square, cubic) foot. A square is 100 sq ft, a cubic yard 27 cu ft, a board foot 144 cu in, a gallon
 * 231 cu in, a liter a thousandth of a cubic meter (NIST SP 811, appendix B).
 */
const perFoot: Partial<Record<UnitCode, { readonly exponent: number; readonly ratio: Ratio }>> = {
  ft: { exponent: 1, ratio: integer(1n) },
  sqft: { exponent: 2, ratio: integer(1n) },
  square: { exponent: 2, ratio: reduced(1n, 100n) },
  cuyd: { exponent: 3, ratio: reduced(1n, 27n) },
  bdft: { exponent: 3, ratio: integer(12n) },
  gal: { exponent: 3, ratio: reduced(1728n, 231n) },
  m: { exponent: 1, ratio: foot },
  sqm: { exponent: 2, ratio: times(foot, foot) },
  cum: { exponent: 3, ratio: times(foot, times(foot, foot)) },
  liter: { exponent: 3, ratio: times(integer(1000n), times(foot, times(foot, foot))) },
};

/**
 * What a quantity in a unit is worth as a value: 2 squares are an area of 200 sq ft, 3 each are the number 3.
 * @param quantity exact, in the unit
 */
export function fromUnit(quantity: Ratio, unit: UnitCode): NumberValue {
  const scale = perFoot[unit];
  return scale
    ? numberValue(times(quantity, reduced(scale.ratio.bottom, scale.ratio.top)), scale.exponent)
    : numberValue(quantity, 0);
}

const sizes = ['', '8ft', '(4ft * 8ft)', '(1ft * 1ft * 8ft)'];

/**
 * A length, area or volume in the units somebody measures in.
 * @param ratio exact, in feet to the exponent
 * @param exponent 1 a length, 2 an area, 3 a volume; another stays as it is
 */
export function measuredAs(
  ratio: Ratio,
  exponent: number,
  measuring: Measuring,
): { readonly ratio: Ratio; readonly unit: string } {
  if (measuring === 'us') return { ratio, unit: ['', ' ft', ' sq ft', ' cu ft'][exponent] ?? '' };
  const unit = ([null, 'm', 'sqm', 'cum'] as const)[exponent];
  return unit
    ? { ratio: times(ratio, perFoot[unit]!.ratio), unit: ` ${unitName(unit)}` }
    : { ratio, unit: '' };
}

/**
 * A value as a quantity in a unit: a volume of 27 cu ft is 1 cubic yard. A bare number is taken in the unit as it is.
 * @returns a sentence where the dimensions do not fit
 */
export function inUnit(value: NumberValue, unit: UnitCode): Ratio | string {
  const scale = perFoot[unit];
  if (!value.firm) return value.ratio;
  if (value.exponent === (scale?.exponent ?? 0)) return scale ? times(value.ratio, scale.ratio) : value.ratio;
  const is = `This comes to ${dimensionName(value.exponent)}`;
  if (!scale)
    return `${is}, but a count is wanted here (${unitName(unit)}). Divide by a size with its unit, such as ${sizes[value.exponent] ?? '8ft'}, or round with ceil.`;
  return `${is}, but ${unitName(unit)} measures ${dimensionName(scale.exponent)}. Write sizes with their unit, such as 8ft or 4in.`;
}
