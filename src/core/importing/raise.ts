import type { CostPart, CostType } from '@/model';
import { divideRounded, parseFixed, parsePercent, writeFixed } from '../number';
import type { Fixed } from '../number';

export { raisableTypes } from '@/model';

/**
 * Costs with a percentage put on the amounts of some types, each rounded to four places, half away from zero. What does
 * not move stays the same object.
 * @param percent as text, below zero for a cut: "4.5", "-10"
 */
export function raisedCosts(
  costs: readonly CostPart[],
  percent: string,
  types: readonly CostType[],
): readonly CostPart[] {
  const factor = 1_000_000n + parsePercent(percent);
  const moved = (before: string): string | null => {
    const amount = divideRounded(parseFixed(before) * factor, 100_000_000n) * 100n;
    const text = writeFixed(amount as Fixed);
    return text === writeFixed(parseFixed(before)) ? null : text;
  };
  const raised = costs.map((part): CostPart => {
    if (part.type === 'labour' || !types.includes(part.type)) return part;
    const text = moved('times' in part ? part.rate : part.amount);
    if (text === null) return part;
    return 'times' in part ? { ...part, rate: text } : { ...part, amount: text };
  });
  return raised.some((part, i) => part !== costs[i]) ? raised : costs;
}
