import { costTypeName } from '../text/names';
import { unitAfter } from '@/model';
import type { Fixed } from '../number';
import { divideRounded, parseFixed, showDecimal, showQuantity, showUnitAmount, writeFixed } from '../number';
import type { LineFigures } from '../price';
import { ordered } from '../price';

type Shown = Pick<LineFigures, 'line' | 'quantity' | 'cost'>;

const counted = (quantity: Fixed, unit: string): string =>
  unit === 'each'
    ? showQuantity(quantity)
    : `${showQuantity(quantity)} ${unitAfter(writeFixed(quantity), unit)}`;

/** What is ordered beyond what is measured, and why. */
function beyond({ line, quantity }: Shown): string | null {
  const bought = ordered(quantity, line);
  if (bought === quantity) return null;
  const pack = line.pack === undefined ? 0n : parseFixed(line.pack);
  const packs = pack > 0n ? divideRounded(bought * 1_000_000n, pack) : null;
  const why = [
    line.waste !== undefined && `${showDecimal(line.waste)} % waste`,
    packs !== null &&
      `${showQuantity(packs as Fixed)} ${packs === 1_000_000n ? 'pack' : 'packs'} of ${showDecimal(line.pack!)}`,
  ].filter((each) => each !== false);
  return `material for ${counted(bought, line.unit)}: ${why.join(', ')}`;
}

/** The break a quantity reached, and what the unit costs from there on. */
function reached({ line, quantity, cost }: Shown): string | null {
  const { breaks } = line;
  if (!breaks || line.typedCost !== undefined) return null;
  const by = breaks.costType === 'material' ? ordered(quantity, line) : quantity;
  const steps = [...breaks.steps].sort((a, b) => (parseFixed(a.from) < parseFixed(b.from) ? -1 : 1));
  const last = steps.findLast(({ from }) =>
    breaks.kind === 'whole' ? by >= parseFixed(from) : by > parseFixed(from),
  );
  const type = costTypeName(breaks.costType);
  if (!last) {
    const next = steps[0]!;
    return `${type} ${showUnitAmount(parseFixed(next.amount))} from ${counted(parseFixed(next.from), line.unit)} on`;
  }
  const before = showUnitAmount(cost.byType[breaks.costType]);
  const now = showUnitAmount(parseFixed(last.amount));
  const at = counted(parseFixed(last.from), line.unit);
  return breaks.kind === 'whole'
    ? `${type} ${now} instead of ${before}, from ${at} on`
    : `${type} ${now} instead of ${before} for what is above ${at}`;
}

/**
 * What waste, packs and price breaks did to the cost of a line, in words; empty where they did nothing.
 * @example “material for 960 ft: 5 % waste, 60 packs of 16”, “material 6.62 instead of 7.10, from 900 ft on”
 */
export const onOrder = (figures: Shown): string[] =>
  figures.quantity <= 0n
    ? []
    : [beyond(figures), reached(figures)].filter((each): each is string => each !== null);
