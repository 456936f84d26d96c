import type { PlanPoint } from '@/model';

/*
 * Plane geometry of what is traced. Coordinates are integers of at most 200,000, so that every product below is an
 * integer a double holds exactly.
 */

type Point = Readonly<PlanPoint>;
type Side = readonly [Point, Point];

/** Whether two points are one. */
export const samePoint = (a: Point, b: Point): boolean => a[0] === b[0] && a[1] === b[1];

/** The points without those that repeat the one before, a closing repetition of the first included. */
export function withoutRepeats(points: readonly Point[], closed: boolean): Point[] {
  const kept = points.filter((point, i) => i === 0 || !samePoint(point, points[i - 1]!));
  while (closed && kept.length > 1 && samePoint(kept[0]!, kept.at(-1)!)) kept.pop();
  return kept;
}

/** Twice the area of an outline (the shoelace formula), never negative. */
export function twiceArea(points: readonly Point[]): bigint {
  let sum = 0n;
  for (const [i, [x, y]] of points.entries()) {
    const [nextX, nextY] = points[(i + 1) % points.length]!;
    sum += BigInt(x! * nextY! - nextX! * y!);
  }
  return sum < 0n ? -sum : sum;
}

/** The square of the distance between two points. */
export const squareBetween = (a: Point, b: Point): bigint =>
  BigInt((a[0]! - b[0]!) ** 2 + (a[1]! - b[1]!) ** 2);

/** The sides of a figure, from corner to corner; closed, back to the first. */
export const sidesOf = (points: readonly Point[], closed: boolean): Side[] =>
  (closed ? points : points.slice(0, -1)).map((point, i) => [point, points[(i + 1) % points.length]!]);

/** Above zero where c lies to one side of the line from a to b, below zero on the other, zero on it. */
const turn = (a: Point, b: Point, c: Point): number =>
  Math.sign((b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!));

const within = ([a, b]: Side, point: Point): boolean =>
  Math.min(a[0]!, b[0]!) <= point[0]! &&
  point[0]! <= Math.max(a[0]!, b[0]!) &&
  Math.min(a[1]!, b[1]!) <= point[1]! &&
  point[1]! <= Math.max(a[1]!, b[1]!);

/** Do two sides share a point? */
export function touch(one: Side, other: Side): boolean {
  const [a, b] = one;
  const [c, d] = other;
  const [atA, atB] = [turn(c, d, a), turn(c, d, b)];
  const [atC, atD] = [turn(a, b, c), turn(a, b, d)];
  if (atA !== atB && atC !== atD && atA * atB <= 0 && atC * atD <= 0) return true;
  return (
    (atA === 0 && within(other, a)) ||
    (atB === 0 && within(other, b)) ||
    (atC === 0 && within(one, c)) ||
    (atD === 0 && within(one, d))
  );
}

/** Do two sides go through each other, not only touch? */
function cross([a, b]: Side, [c, d]: Side): boolean {
  return turn(c, d, a) * turn(c, d, b) < 0 && turn(a, b, c) * turn(a, b, d) < 0;
}

/** Does an outline meet itself anywhere but at the corners of neighbouring sides? */
export function meetsItself(points: readonly Point[]): boolean {
  const sides = sidesOf(points, true);
  for (let i = 0; i < sides.length; i += 1)
    for (let j = i + 1; j < sides.length; j += 1) {
      const shared = j === i + 1 ? sides[i]![1] : i === 0 && j === sides.length - 1 ? sides[0]![0] : null;
      if (shared === null) {
        if (touch(sides[i]!, sides[j]!)) return true;
        continue;
      }
      // Neighbours share a corner; they overlap where one runs back along the other.
      const [before, after] = j === i + 1 ? [sides[i]![0], sides[j]![1]] : [sides[i]![1], sides[j]![0]];
      const ahead =
        (before[0]! - shared[0]!) * (after[0]! - shared[0]!) +
        (before[1]! - shared[1]!) * (after[1]! - shared[1]!);
      if (turn(before, shared, after) === 0 && ahead > 0) return true;
    }
  return false;
}

/** Where a point lies of an outline: 1 inside, 0 on its edge, −1 outside. */
export function placeIn(points: readonly Point[], point: Point): 1 | 0 | -1 {
  let inside = false;
  for (const side of sidesOf(points, true)) {
    const [a, b] = side;
    if (turn(a, b, point) === 0 && within(side, point)) return 0;
    if (a[1]! > point[1]! !== b[1]! > point[1]! && turn(a, b, point) > 0 === b[1]! > a[1]!) inside = !inside;
  }
  return inside ? 1 : -1;
}

/** A point strictly between the ends of each side, where the grid has one; corners too. */
function samples(points: readonly Point[]): Point[] {
  return [
    ...points,
    ...sidesOf(points, true).map(([a, b]): Point => [(a[0]! + b[0]!) / 2, (a[1]! + b[1]!) / 2]),
  ];
}

const anyCross = (one: readonly Point[], other: readonly Point[]) => {
  const others = sidesOf(other, true);
  return sidesOf(one, true).some((side) => others.some((each) => cross(side, each)));
};

/** Does the inner outline lie wholly in the outer one? Edges may touch. */
export const liesIn = (inner: readonly Point[], outer: readonly Point[]): boolean =>
  !anyCross(inner, outer) && samples(inner).every((point) => placeIn(outer, point) >= 0);

/** Do two outlines share an area? Edges that only touch do not count. */
export const overlap = (one: readonly Point[], other: readonly Point[]): boolean =>
  anyCross(one, other) ||
  samples(one).some((point) => placeIn(other, point) > 0) ||
  samples(other).some((point) => placeIn(one, point) > 0) ||
  (one.length === other.length && one.every((point) => other.some((each) => samePoint(point, each))));
