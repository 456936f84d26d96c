import type { Measuring } from '@/model';
import { sizeInWords } from '../space/measuring';
import { memoLast } from '../collections/memoByIdentity';
import type { Plan, Traced } from '@/model';
import type { Fixed, Ratio } from '../number';
import { divideRounded, integer, reduced, times } from '../number';
import { LARGEST_QUANTITY, toPlaces } from '../formula';
import { exactFeet } from '../space/exactFeet';
import { liesIn, meetsItself, overlap, sidesOf, squareBetween, twiceArea, withoutRepeats } from './figures';

/** What a traced quantity comes to: square feet, feet or a count, rounded to three places. */
export interface TracedFigures {
  readonly value: Fixed;
  /** Of an area: how long its edge is all around, and how far it reaches across and down; feet. */
  readonly edge: Fixed | null;
  readonly reach: { readonly length: Fixed; readonly width: Fixed } | null;
}

export interface ReadTraced {
  readonly figures: TracedFigures | null;
  /** Why there are no figures. */
  readonly trouble: string | null;
  /** What should be looked at although there are figures. */
  readonly doubt: string | null;
}

/** Most corners that are compared with each other for overlap: the work is bounded. */
const MOST_COMPARED = 3000;

/**
 * The root of a whole number, rounded down.
 * @param square not below zero
 */
export function wholeRoot(square: bigint): bigint {
  if (square < 2n) return square;
  let root = BigInt(Math.floor(Math.sqrt(Number(square))));
  while (root * root > square) root -= 1n;
  while ((root + 1n) * (root + 1n) <= square) root += 1n;
  return root;
}

/** Feet squared per plan unit squared: a ratio, because only the squares of drawn lengths are whole numbers. */
function squareScale(scale: Plan['scale']): Ratio | null {
  if (!scale) return null;
  const drawn = squareBetween(scale.from, scale.to);
  const length = exactFeet(scale.length);
  if (drawn === 0n || length.top <= 0n) return null;
  return times(times(length, length), reduced(1n, drawn));
}

const BILLIONTH = 1_000_000_000n;

/** A drawn length in feet, to a billionth of a foot; it is rounded to three places only where it becomes visible. */
function billionths(square: bigint, scale: Ratio): bigint {
  return wholeRoot((square * scale.top * BILLIONTH * BILLIONTH) / scale.bottom);
}

const feetOf = (inBillionths: bigint): Fixed =>
  (divideRounded(inBillionths, BILLIONTH / 1000n) * 1000n) as Fixed;

const nothing = (trouble: string): ReadTraced => ({ figures: null, trouble, doubt: null });

function area(traced: Traced, scale: Ratio): ReadTraced {
  const figures = traced.figures.map(({ points, cut }) => ({ points: withoutRepeats(points, true), cut }));
  if (figures.some(({ points }) => points.length < 3))
    return nothing(`An outline of “${traced.label}” needs at least three corners.`);
  if (figures.some(({ points }) => meetsItself(points)))
    return nothing(`An outline of “${traced.label}” crosses itself.`);
  const outlines = figures.filter(({ cut }) => !cut).map(({ points }) => points);
  const cuts = figures.filter(({ cut }) => cut).map(({ points }) => points);
  const few = figures.reduce((sum, { points }) => sum + points.length, 0) <= MOST_COMPARED;
  if (few && cuts.some((cut) => !outlines.some((outline) => liesIn(cut, outline))))
    return nothing(`A cut-out of “${traced.label}” reaches outside its outline.`);
  if (few && cuts.some((cut, i) => cuts.slice(0, i).some((other) => overlap(cut, other))))
    return nothing(`Two cut-outs of “${traced.label}” overlap.`);

  const twice =
    outlines.reduce((sum, points) => sum + twiceArea(points), 0n) -
    cuts.reduce((sum, points) => sum + twiceArea(points), 0n);
  const exact = times(reduced(twice, 2n), scale);
  if (exact.top > LARGEST_QUANTITY * exact.bottom)
    return nothing(`“${traced.label}” is more than a million square feet. Check the scale.`);
  const around = figures.reduce(
    (sum, { points }) =>
      sidesOf(points, true).reduce((all, [a, b]) => all + billionths(squareBetween(a, b), scale), sum),
    0n,
  );
  const all = outlines.flat();
  const reach = (axis: 0 | 1) => {
    const along = all.map((point) => point[axis]!);
    const far = all.length === 0 ? 0 : Math.max(...along) - Math.min(...along);
    return feetOf(billionths(BigInt(far) ** 2n, scale));
  };
  const doubled = few && outlines.some((one, i) => outlines.slice(0, i).some((other) => overlap(one, other)));
  return {
    figures: {
      value: toPlaces(exact, 3),
      edge: feetOf(around),
      reach: { length: reach(0), width: reach(1) },
    },
    trouble: null,
    doubt: doubled ? `Two outlines of “${traced.label}” overlap: what they share counts twice.` : null,
  };
}

function run(traced: Traced, scale: Ratio): ReadTraced {
  const far = traced.figures.reduce(
    (sum, { points }) =>
      sidesOf(points, false).reduce((all, [a, b]) => all + billionths(squareBetween(a, b), scale), sum),
    0n,
  );
  if (far > LARGEST_QUANTITY * BILLIONTH)
    return nothing(`“${traced.label}” is more than a million feet. Check the scale.`);
  return { figures: { value: feetOf(far), edge: null, reach: null }, trouble: null, doubt: null };
}

function compute(traced: Traced, planScale: Plan['scale'], name: string): ReadTraced {
  if (traced.kind === 'count') {
    const marks = traced.figures.reduce((sum, { points }) => sum + points.length, 0);
    return {
      figures: { value: toPlaces(integer(BigInt(marks)), 0), edge: null, reach: null },
      trouble: null,
      doubt: null,
    };
  }
  const scale = squareScale(planScale);
  if (!scale) return nothing(`Set the scale of “${name}”: two points and the length between them.`);
  return traced.kind === 'area' ? area(traced, scale) : run(traced, scale);
}

const underScale = memoLast(compute);

/**
 * What was traced comes to, under the scale of its plan. An area is exact until it is rounded (the square of the scale is
 * a ratio); a length is a sum of roots, each to a billionth of a foot. Cut-outs are taken off, their edges count.
 * Remembered by identity.
 */
export const readTraced = (traced: Traced, plan: Plan): ReadTraced =>
  underScale(traced, plan.scale, plan.name);

/** Feet per plan unit, for placing what was traced in a drawing; null without a scale. Never used for a quantity. */
export function scaleFeet(plan: Plan): number | null {
  const square = squareScale(plan.scale);
  return square && Math.sqrt(Number(square.top) / Number(square.bottom));
}

const exponents = { area: 2, length: 1, count: 0 } as const;

/** A traced quantity in words: “216 sq ft”; null where it cannot be computed. */
export function tracedInWords(traced: Traced, plan: Plan, measuring: Measuring): string | null {
  const { figures } = readTraced(traced, plan);
  return figures && sizeInWords(reduced(figures.value, 1_000_000n), exponents[traced.kind], measuring);
}
