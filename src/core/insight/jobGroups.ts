import type { Amount } from '../number';
import { ZERO, addAmounts, allocate, subtractAmounts, sumAmounts } from '../number';

/** Budget and cost of one group, before tax. */
export interface CostRow {
  /** Name of the group; empty: of none. */
  readonly name: string;
  readonly budget: Amount;
  readonly cost: Amount;
  /** What is still to come. */
  readonly toCome: Amount;
  /** Cost with what is still to come. */
  readonly expected: Amount;
  /** Expected less budget: above zero it costs more than was thought. */
  readonly over: Amount;
}

/**
 * What is left of a budget; nothing once it is spent.
 * @param budget minor units
 * @param cost minor units
 */
export const leftOfBudget = (budget: bigint, cost: bigint): Amount =>
  (budget > cost ? budget - cost : 0n) as Amount;

/**
 * A row of costs against its budget.
 * @param budget what it was to cost
 * @param cost what it cost so far
 * @param toCome what is still to come
 */
export function costRow(name: string, budget: Amount, cost: Amount, toCome: Amount): CostRow {
  const expected = addAmounts(cost, toCome);
  return { name, budget, cost, toCome, expected, over: subtractAmounts(expected, budget) };
}

/** Whether a row holds anything but nothing. */
export const isSomething = ({ budget, cost, toCome }: CostRow): boolean =>
  budget !== 0n || cost !== 0n || toCome !== 0n;

/** An amount of a group, in a stage. */
export interface Placed {
  readonly key: string;
  readonly stage: string;
  readonly amount: Amount;
}

interface Sums {
  budget: bigint;
  cost: bigint;
  toCome: bigint;
}

/**
 * Budget and cost by group. What is still to come of each stage is shared out over the groups in it by what is left of their
 * budgets there; where nothing is left of any, the first in it takes it. So the rows have the sums of the stages.
 * @param keys the groups, in the order of the rows; the first takes what is to come of a stage with no group at all
 */
export function byGroup(
  keys: readonly string[],
  budgets: readonly Placed[],
  costs: readonly Placed[],
  toComeOf: ReadonlyMap<string, Amount>,
): CostRow[] {
  const stages = new Map<string, Map<string, Sums>>();
  const sumsOf = (stage: string, key: string): Sums => {
    const groups = stages.get(stage) ?? new Map<string, Sums>();
    stages.set(stage, groups);
    const sums = groups.get(key) ?? { budget: 0n, cost: 0n, toCome: 0n };
    groups.set(key, sums);
    return sums;
  };
  for (const { stage, key, amount } of budgets) sumsOf(stage, key).budget += amount;
  for (const { stage, key, amount } of costs) sumsOf(stage, key).cost += amount;
  for (const [stage, toCome] of toComeOf) {
    if (toCome === 0n) continue;
    if (!stages.has(stage)) sumsOf(stage, keys[0]!);
    const sums = [...stages.get(stage)!.values()];
    const weights = sums.map(({ budget, cost }) => leftOfBudget(budget, cost) as bigint);
    const any = weights.some((weight) => weight > 0n);
    const shares = allocate(toCome, any ? weights : sums.map((_, i) => (i === 0 ? 1n : 0n)));
    sums.forEach((each, i) => (each.toCome += shares[i]!));
  }
  const rows = new Map(keys.map((key) => [key, [] as Sums[]]));
  for (const groups of stages.values()) for (const [key, sums] of groups) rows.get(key)!.push(sums);
  const sum = (all: readonly Sums[], of: keyof Sums) =>
    sumAmounts(all.map((each) => (each[of] ?? ZERO) as Amount));
  return keys.map((key) => {
    const all = rows.get(key)!;
    return costRow(key, sum(all, 'budget'), sum(all, 'cost'), sum(all, 'toCome'));
  });
}
