import type { Choices, Discount, ProposalDocument } from '@/model';
import { computeFigures } from '../price';
import { scalesOf } from '../range/bounds';
import type { Goal } from './goal';
import type { FreeLine } from './free';

/**
 * What a discount leaves of an amount, as a number, before rounding.
 * @param amount minor units, as a number
 * @param unit minor units to one of the currency
 */
export function kept(amount: number, discount: Discount | undefined, unit: number): number {
  if (!discount || amount <= 0) return amount;
  return 'percent' in discount
    ? amount * (1 - Number(discount.percent) / 100)
    : Math.max(0, amount - Number(discount.amount) * unit);
}

const share = (amount: number, discount: Discount | undefined, unit: number): number =>
  amount === 0 ? 1 : kept(amount, discount, unit) / amount;

/**
 * What a proposal comes to before any rounding, as a function of what its free lines come to (in minor units, before
 * discounts). Numbers: only the way to a common factor, never an amount that is shown.
 */
export function smoothly(
  document: ProposalDocument,
  choices: Choices,
  carry: readonly FreeLine[],
  goal: Goal,
): (amountOf: (line: FreeLine) => number) => number {
  const figures = computeFigures(document, choices);
  const unit = 10 ** figures.minorDigits;
  const scales = scalesOf(document, figures.minorDigits, 0);
  const free = new Map(carry.map((line) => [line.id, line]));
  const one = (taxClass: string, amount: number) => ({ net: new Map([[taxClass, amount]]), cost: 0 });
  const rows = figures.sections.map(({ lines }) => {
    const still = { taxed: 0, net: 0, earned: 0 };
    for (const { line, included, net } of lines) {
      if (!included || free.has(line.id)) continue;
      const weight = one(line.taxClass, Number(net));
      still.taxed += scales.taxed(weight);
      still.net += scales.net(weight);
      still.earned += scales.earned(weight);
    }
    return still;
  });
  const bySection = carry.map((line) => ({
    line,
    unit: one(line.figures.line.taxClass, 1),
    of: [line.figures.line.discount, line.figures.bundle?.discount] as const,
  }));
  return (amountOf) => {
    const sums = rows.map((row) => ({ ...row }));
    for (const { line, unit: each, of } of bySection) {
      // A discount of an amount on a bundle is shared; close enough here, and put right by trying again.
      const amount = of.reduce<number>(
        (left, discount) =>
          discount && 'amount' in discount && discount === of[1] ? left : kept(left, discount, unit),
        amountOf(line),
      );
      const sum = sums[line.section]!;
      sum.taxed += scales.taxed(each) * amount;
      sum.net += scales.net(each) * amount;
      sum.earned += scales.earned(each) * amount;
    }
    if (goal.of === 'total') return scales.total(sums);
    let earned = 0;
    let net = 0;
    sums.forEach((sum, i) => {
      const left = share(sum.net, document.sections[i]!.discount, unit);
      earned += sum.earned * left;
      net += sum.net * left;
    });
    return earned * share(net, document.discount, unit);
  };
}

/**
 * Where a function that does not fall comes to a value; NaN when it does not.
 * @param wanted the value
 */
export function solve(
  of: (at: number) => number,
  wanted: number,
  [from, to]: readonly [number, number],
): number {
  let [a, b] = [from, to];
  let [fa, fb] = [of(a) - wanted, of(b) - wanted];
  for (let n = 0; n < 60; n += 1) {
    if (Math.abs(fb) < 1e-7 || fb === fa) break;
    const next = b - (fb * (b - a)) / (fb - fa);
    [a, fa] = [b, fb];
    b = next;
    fb = of(b) - wanted;
  }
  return Math.abs(fb) < 0.5 ? b : NaN;
}
