import { FormulaError, evaluate, readFormula } from '../formula';
import type { Ratio } from '../number';
import { compared, integer, negative, plus, reduced, times } from '../number';

export interface Corner {
  readonly x: Ratio;
  readonly y: Ratio;
}

const zero = integer(0n);
const half = reduced(1n, 2n);
const distance = (a: Ratio, b: Ratio): Ratio => {
  const between = plus(a, negative(b));
  return between.top < 0n ? negative(between) : between;
};
const same = (a: Ratio, b: Ratio) => compared(a, b) === 0n;

/** Headings of a walk, each a right turn from the one before: along, down, back, up. */
const headings: readonly { readonly x: bigint; readonly y: bigint }[] = [
  { x: 1n, y: 0n },
  { x: 0n, y: 1n },
  { x: -1n, y: 0n },
  { x: 0n, y: -1n },
];

function sidesOf(walk: string): { length: Ratio; turn: 'r' | 'l' | null }[] {
  const pieces = walk.trim().split(/\s+([rlRL])(?=\s|$)/);
  const sides: { length: Ratio; turn: 'r' | 'l' | null }[] = [];
  for (let i = 0; i < pieces.length; i += 2) {
    const text = pieces[i]!.trim();
    if (text === '') continue;
    const value = evaluate(readFormula(text, { names: false, longest: 60 }), () => undefined);
    if (value.kind !== 'number' || value.ratio.top <= 0n)
      throw new FormulaError('Each side is a length above zero.', walk.indexOf(text));
    const turn = pieces[i + 1]?.toLowerCase();
    sides.push({ length: value.ratio, turn: turn === 'r' || turn === 'l' ? turn : null });
  }
  return sides;
}

/** Do two sides (each along an axis) touch? */
function touch(a: readonly [Corner, Corner], b: readonly [Corner, Corner]): boolean {
  const apart = (axis: 'x' | 'y') => {
    const low = (side: readonly [Corner, Corner]) =>
      compared(side[0][axis], side[1][axis]) < 0n ? side[0][axis] : side[1][axis];
    const high = (side: readonly [Corner, Corner]) =>
      compared(side[0][axis], side[1][axis]) < 0n ? side[1][axis] : side[0][axis];
    return compared(high(a), low(b)) < 0n || compared(high(b), low(a)) < 0n;
  };
  return !apart('x') && !apart('y');
}

/**
 * Walks around a room with right angles: sides in order, `r` or `l` for the turn between them, and back to the start:
 * `16 r 10 r 6 l 5 r 10 r 15`. A last side that is left out is drawn.
 *
 * @returns the corners in order, in feet
 * @throws FormulaError in words where it does not close, crosses itself or a side is no length
 */
export function readWalk(walk: string): Corner[] {
  const sides = sidesOf(walk);
  if (sides.length > 60) throw new FormulaError('An outline has at most 60 sides.', 0);
  let heading = 0;
  let here: Corner = { x: zero, y: zero };
  const corners = [here];
  for (const { length, turn } of sides) {
    const { x, y } = headings[heading]!;
    here = {
      x: plus(here.x, times(length, integer(x))),
      y: plus(here.y, times(length, integer(y))),
    };
    corners.push(here);
    heading = (heading + (turn === 'l' ? 3 : turn === 'r' ? 1 : 0)) % 4;
  }
  const closed = same(here.x, zero) && same(here.y, zero);
  if (closed) corners.pop();
  else if (!same(here.x, zero) && !same(here.y, zero))
    throw new FormulaError('The outline does not come back to where it began.', walk.length);
  if (corners.length < 4) throw new FormulaError('An outline has at least four sides.', walk.length);

  const edges = corners.map((corner, i) => [corner, corners[(i + 1) % corners.length]!] as const);
  for (let i = 0; i < edges.length; i += 1)
    for (let j = i + 2; j < edges.length; j += 1)
      if (!(i === 0 && j === edges.length - 1) && touch(edges[i]!, edges[j]!))
        throw new FormulaError('The outline crosses itself.', 0);
  return corners;
}

/** Area of an outline (the shoelace formula), its perimeter, and how far it reaches along and across; exact, in feet. */
export function outlineFigures(corners: readonly Corner[]): {
  readonly area: Ratio;
  readonly perimeter: Ratio;
  readonly length: Ratio;
  readonly width: Ratio;
} {
  let twice = zero;
  let perimeter = zero;
  for (const [i, { x, y }] of corners.entries()) {
    const next = corners[(i + 1) % corners.length]!;
    twice = plus(twice, plus(times(x, next.y), negative(times(next.x, y))));
    perimeter = plus(perimeter, plus(distance(x, next.x), distance(y, next.y)));
  }
  const reach = (axis: 'x' | 'y') => {
    const all = corners.map((corner) => corner[axis]);
    const low = all.reduce((least, each) => (compared(each, least) < 0n ? each : least));
    const high = all.reduce((most, each) => (compared(each, most) > 0n ? each : most));
    return distance(high, low);
  };
  const area = times(twice, half);
  return { area: area.top < 0n ? negative(area) : area, perimeter, length: reach('x'), width: reach('y') };
}
