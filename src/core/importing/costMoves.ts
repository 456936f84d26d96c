import type { Fixed } from '../number';
import { ONE, ZERO_FIXED, addFixed, divideRounded } from '../number';
import { itemUnitCost } from '../price';
import type { KnownItem, Planned } from './plan';

/** How the cost of a unit of an item moves with a list. */
export interface CostMove {
  readonly code: string;
  /** Unit cost in the library, and as the list has it. */
  readonly before: Fixed;
  readonly after: Fixed;
  /** What it moves by, as a share of what it was; null: it cost nothing. */
  readonly share: Fixed | null;
}

/** What a list does to costs together. */
export interface CostMoves {
  /** By how much of what it was a cost moves, the furthest first; a cost from nothing before all others. */
  readonly moves: readonly CostMove[];
  readonly rise: number;
  readonly fall: number;
  /** The share in the middle of those that move, half of them above it; null: none moves from something. */
  readonly middle: Fixed | null;
}

const size = (value: bigint): bigint => (value < 0n ? -value : value);

const further = (a: CostMove, b: CostMove): number => {
  if (a.share === null || b.share === null)
    return a.share === b.share ? a.code.localeCompare(b.code) : a.share === null ? -1 : 1;
  const [one, other] = [size(a.share), size(b.share)];
  return one === other ? a.code.localeCompare(b.code) : one > other ? -1 : 1;
};

/** The middle of some numbers in order; of two in the middle, half of both together, rounded half away from zero. */
function middleOf(sorted: readonly Fixed[]): Fixed | null {
  if (sorted.length === 0) return null;
  const at = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1
    ? sorted[at]!
    : (divideRounded(addFixed([sorted[at - 1]!, sorted[at]!]), 2n) as Fixed);
}

/**
 * Which costs a list moves, and how far. Shares are rounded half away from zero to a millionth.
 * @param changed items of the library that the list changes
 * @param known the library, by code
 */
export function costMoves(
  changed: readonly Planned[],
  known: ReadonlyMap<string, Pick<KnownItem, 'costs'>>,
): CostMoves {
  const moves = changed
    .flatMap(({ code, item }): CostMove[] => {
      const was = known.get(code);
      if (!was) return [];
      const [before, after] = [itemUnitCost(was.costs), itemUnitCost(item.costs)];
      const share =
        before === ZERO_FIXED ? null : (divideRounded((after - before) * ONE, size(before)) as Fixed);
      return before === after ? [] : [{ code, before, after, share }];
    })
    .sort(further);
  const shares = moves
    .flatMap(({ share }) => (share === null ? [] : [share]))
    .sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  return {
    moves,
    rise: moves.filter(({ before, after }) => after > before).length,
    fall: moves.filter(({ before, after }) => after < before).length,
    middle: middleOf(shares),
  };
}
