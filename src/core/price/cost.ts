import type { CostPart, CostType, Line } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed } from '../number';
import { allocate, multiplyFixed, parseFixed, roundFixed } from '../number';

/** Places of a unit cost: what is shown of it is all there is of it. */
export const UNIT_COST_PLACES = 4;

/** Unit cost of a line by cost type. */
export type CostByType = Readonly<Record<CostType, Fixed>>;

export interface UnitCost {
  readonly total: Fixed;
  readonly byType: CostByType;
  /** The library's unit cost where another was typed over it. */
  readonly replaced: Fixed | null;
}

function costByType(costs: readonly CostPart[]): Record<CostType, bigint> {
  const byType: Record<CostType, bigint> = {
    material: 0n,
    labour: 0n,
    equipment: 0n,
    subcontract: 0n,
    other: 0n,
  };
  for (const part of costs) {
    const cost =
      part.type === 'labour'
        ? multiplyFixed(parseFixed(part.hours), parseFixed(part.rate))
        : parseFixed(part.amount);
    byType[part.type] += roundFixed(cost, UNIT_COST_PLACES);
  }
  return byType;
}

/** Unit cost of a library item: the sum of its cost types, each rounded to {@link UNIT_COST_PLACES}. */
export function itemUnitCost(costs: readonly CostPart[]): Fixed {
  const byType = costByType(costs);
  return costTypes.reduce((sum, type) => sum + byType[type], 0n) as Fixed;
}

/**
 * Unit cost of a line: the sum of its cost types, labour as hours × rate, each rounded to {@link UNIT_COST_PLACES}.
 * A cost typed over it counts instead, spread over the types in the library's proportion (all of it "other" where the
 * library has none), and the replaced value stays at hand.
 */
export function unitCost(line: Line): UnitCost {
  const byType = costByType(line.costs);
  const total = costTypes.reduce((sum, type) => sum + byType[type], 0n) as Fixed;
  if (line.typedCost === undefined) return { total, byType: byType as CostByType, replaced: null };

  const typed = roundFixed(parseFixed(line.typedCost), UNIT_COST_PLACES);
  const weights = costTypes.map((type) => (byType[type] > 0n ? byType[type] : 0n));
  const spread = weights.every((weight) => weight === 0n)
    ? costTypes.map((type) => (type === 'other' ? typed : 0n))
    : allocate(typed as bigint as Amount, weights);
  const typedByType = Object.fromEntries(
    costTypes.map((type, i) => [type, spread[i]]),
  ) as unknown as CostByType;
  return { total: typed, byType: typedByType, replaced: total };
}
