import { memoLast } from '../collections/memoByIdentity';
import type { AreaFactors, CostPart, CostType, Line } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed } from '../number';
import {
  allocate,
  divideRounded,
  multiplyFixed,
  parseFixed,
  parsePercent,
  powerOfTen,
  roundFixed,
} from '../number';

import { partCost, partHours } from './costPart';

/** Places of a unit cost: what is shown of it is all there is of it. */
export const UNIT_COST_PLACES = 4;
/** Places of a quantity that is ordered. */
const ORDERED_PLACES = 3;

/** Unit cost of a line by cost type. */
export type CostByType = Readonly<Record<CostType, Fixed>>;

export interface UnitCost {
  readonly total: Fixed;
  readonly byType: CostByType;
  /** The library's unit cost where another was typed over it. */
  readonly replaced: Fixed | null;
}

const nothing = (): Record<CostType, bigint> => ({
  material: 0n,
  labour: 0n,
  equipment: 0n,
  subcontract: 0n,
  other: 0n,
});

function areaFactor(type: CostType, area: AreaFactors | undefined): Fixed | null {
  if (!area || (type !== 'material' && type !== 'labour' && type !== 'equipment')) return null;
  return parseFixed(area[type]);
}

function inArea(cost: Fixed, type: CostType, area: AreaFactors | undefined): Fixed {
  const factor = areaFactor(type, area);
  return roundFixed(factor === null ? cost : multiplyFixed(cost, factor), UNIT_COST_PLACES);
}

// Lines of one item share its costs, and a line that is sized anew keeps them.
const costByType = memoLast(sumByType);

function sumByType(
  costs: readonly CostPart[],
  overtime: boolean,
  area: AreaFactors | undefined,
): Readonly<Record<CostType, bigint>> {
  const byType = nothing();
  for (const part of costs) {
    byType[part.type] += inArea(partCost(part, overtime), part.type, area);
  }
  return byType;
}

const sumOf = (byType: Readonly<Record<CostType, bigint>>) =>
  costTypes.reduce((sum, type) => sum + byType[type], 0n) as Fixed;

/** Unit cost of a library item: the sum of its cost types, each rounded to {@link UNIT_COST_PLACES}. */
export function itemUnitCost(costs: readonly CostPart[]): Fixed {
  return sumOf(costByType(costs, false, undefined));
}

/**
 * Unit cost of a line: the sum of its cost types, labour as hours × rate (normal or overtime), material, labour and
 * equipment each by the area's factor, rounded to {@link UNIT_COST_PLACES}. A cost typed over it counts instead, as it
 * is, spread over the types in the library's proportion (all of it "other" where the library has none), and the
 * replaced value stays at hand.
 */
export function unitCost(line: Line, area?: AreaFactors): UnitCost {
  const byType = costByType(line.costs, line.overtime === true, area);
  const total = sumOf(byType);
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

/**
 * What is ordered of a measured quantity: `ceil(measured × (1 + waste) / pack) × pack`; without packs measured ×
 * (1 + waste), rounded to three places. What is taken back (below zero) is what it is.
 * @param measured millionths of the unit
 */
export function ordered(measured: Fixed, line: Pick<Line, 'waste' | 'pack'>): Fixed {
  if (measured <= 0n) return measured;
  const waste = line.waste === undefined ? 0n : parsePercent(line.waste);
  const pack = line.pack === undefined ? 0n : parseFixed(line.pack);
  const wanted = measured * (1_000_000n + waste);
  if (pack > 0n) {
    const packs = (wanted + pack * 1_000_000n - 1n) / (pack * 1_000_000n);
    return (packs * pack) as Fixed;
  }
  const step = powerOfTen(6 - ORDERED_PLACES);
  return (divideRounded(wanted, 1_000_000n * step) * step) as Fixed;
}

/** Cost of a quantity of one type in 10⁻¹²: at the unit cost, or by the breaks the quantity reaches. */
function broken(
  line: Line,
  type: CostType,
  quantity: Fixed,
  unit: Fixed,
  area: AreaFactors | undefined,
): bigint {
  const { breaks } = line;
  if (!breaks || breaks.costType !== type || line.typedCost !== undefined) return quantity * unit;
  const steps = breaks.steps
    .map(({ from, amount }) => ({ from: parseFixed(from), amount: inArea(parseFixed(amount), type, area) }))
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0));
  if (breaks.kind === 'whole') {
    const reached = steps.findLast(({ from }) => quantity >= from);
    return quantity * (reached?.amount ?? unit);
  }
  let cost = 0n;
  let below = 0n;
  let amount: bigint = unit;
  for (const step of steps) {
    if (quantity <= step.from) break;
    cost += (step.from - below) * amount;
    below = step.from;
    amount = step.amount;
  }
  return cost + (quantity - below) * amount;
}

/**
 * Exact cost of a line by type, in 10⁻¹² of the currency: material by what is ordered, everything else by what is
 * measured, each at the price break its quantity reaches.
 * @param quantity millionths of the unit, as measured
 */
export function exactCost(
  line: Line,
  quantity: Fixed,
  cost: UnitCost,
  area?: AreaFactors,
): Readonly<Record<CostType, bigint>> {
  const exact = nothing();
  for (const type of costTypes) {
    const unit = cost.byType[type];
    if (unit === 0n && line.breaks?.costType !== type) continue;
    exact[type] = broken(line, type, type === 'material' ? ordered(quantity, line) : quantity, unit, area);
  }
  return exact;
}

/** Does the unit price hang on the quantity? */
export const costsByQuantity = (line: Line): boolean =>
  line.waste !== undefined || line.pack !== undefined || line.breaks !== undefined;

/** Hours of work in lines of these quantities: hours per unit × quantity, rounded to three places. */
export function labourHours(
  lines: Iterable<{ readonly line: Pick<Line, 'costs'>; readonly quantity: Fixed }>,
): Fixed {
  let hours = 0n;
  for (const { line, quantity } of lines) for (const part of line.costs) hours += quantity * partHours(part);
  return roundFixed(divideRounded(hours, 1_000_000n) as Fixed, 3);
}
