import { memoByIdentity } from '../collections/memoByIdentity';
import type { CostType, Load } from '@/model';
import { costTypes } from '@/model';
import type { Fixed, Ratio } from '../number';
import { ONE, divideRounded, gcd, integer, parsePercent, plus, reduced, showPercent, times } from '../number';
import { readPercent } from '../quantity/typedAmounts';

/** What the loads make of one unit of cost of a type: its price, and what each load adds. */
export interface LoadFactors {
  /** Price per cost, over a denominator common to all types. */
  readonly price: Readonly<Record<CostType, bigint>>;
  /** What each load adds per cost, in the order of the loads, over the same denominator. */
  readonly added: readonly Readonly<Record<CostType, bigint>>[];
  readonly bottom: bigint;
}

const none = integer(0n);
const one = integer(1n);

function addedBy(load: Load, running: Ratio): Ratio {
  const rate = reduced(parsePercent(load.percent), ONE);
  if (load.base === 'direct') return rate;
  if (load.base === 'running') return times(running, rate);
  if (rate.top >= rate.bottom)
    throw new RangeError(`${load.name}: a share of the price must be below 100 %.`);
  return times(running, { top: rate.top, bottom: rate.bottom - rate.top });
}

/**
 * Applies loads in order to one unit of cost of each type, exactly.
 * Each load is a percentage of direct cost, of the running amount, or of the price (running ÷ (1 − rate)).
 * The answer is kept by the identity of the list.
 *
 * @throws RangeError for a load of 100 % of the price or more
 * @example 100.00 with 10 % on direct, 15 % on running → 126.50; then 1.5 % of price → 128.43
 */
export const loadFactors = memoByIdentity((loads: readonly Load[]): LoadFactors => {
  const priced: Ratio[] = [];
  const added: Ratio[][] = loads.map(() => []);
  for (const [t, type] of costTypes.entries()) {
    let running = one;
    for (const [i, load] of loads.entries()) {
      const step = load.costTypes && !load.costTypes.includes(type) ? none : addedBy(load, running);
      added[i]![t] = step;
      running = plus(running, step);
    }
    priced[t] = running;
  }
  const bottom = [...priced, ...added.flat()].reduce((all, { bottom: b }) => (all / gcd(all, b)) * b, 1n);
  const byType = (ratios: readonly Ratio[]) =>
    Object.fromEntries(
      costTypes.map((type, t) => [type, (ratios[t]!.top * bottom) / ratios[t]!.bottom]),
    ) as Record<CostType, bigint>;
  return { price: byType(priced), added: added.map(byType), bottom };
});

/**
 * A markup said the other way: a percent on cost as a margin, p ÷ (1 + p); a percent of the price as a markup, p ÷ (1 − p).
 * @returns percent as text, to two places; null for 100 % of the price or more
 * @example 50 % on cost is a margin of 33.33 %; 20 % of the price is a markup of 25 %
 */
export function otherWay({ percent, base }: Pick<Load, 'percent' | 'base'>): string | null {
  const rate = parsePercent(percent);
  const under = base === 'price' ? ONE - rate : ONE + rate;
  return under <= 0n ? null : showPercent(divideRounded(rate * ONE, under) as Fixed, 2);
}

/**
 * Reads a markup: `25`, `25%`; with its word, `20 margin` is a percent of the price and `25 markup` one on cost.
 * @param base what the percent is of where no word says it
 * @throws Error with a sentence, for what cannot be read; a margin is below 100 %
 */
export function readMarkup(text: string, base: Load['base']): Pick<Load, 'percent' | 'base'> {
  const word = /\b(margin|markup)s?\b/i.exec(text)?.[1]?.toLowerCase();
  const of = word === 'margin' ? 'price' : word === 'markup' && base === 'price' ? 'running' : base;
  const number = text.replace(/\b(margin|markup)s?\b/i, '');
  return { percent: readPercent(number, of === 'price' ? 99 : 999), base: of };
}
