import type { CostType } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed } from '../number';
import { divideRounded, powerOfTen, ratio } from '../number';
import type { Figures } from '../price';

export interface Resilience {
  readonly costType: CostType;
  readonly cost: Amount;
  /** By how much this cost can overrun until the profit is gone, as a fraction of it; null where it costs nothing. */
  readonly overrun: Fixed | null;
}

/** How much each kind of cost can overrun before the profit is gone: profit ÷ cost of the type. */
export function resilience(figures: Figures): Resilience[] {
  return costTypes.map((costType) => {
    const exact = figures.sections.reduce(
      (sum, { exactCost, ownLoads }) =>
        sum + exactCost[costType] + ownLoads.reduce((own, each) => own + each.exactCost[costType], 0n),
      0n,
    );
    const cost = divideRounded(exact, powerOfTen(12 - figures.minorDigits)) as Amount;
    return { costType, cost, overrun: ratio(figures.profit, cost) };
  });
}
