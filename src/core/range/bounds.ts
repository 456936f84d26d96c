import { memoByIdentity } from '../collections/memoByIdentity';
import type { ProposalDocument } from '@/model';
import { effectiveRates } from '../price';
import type { Decision, Tree, Weight } from './tree';

/** How the amounts of a proposal lead to its total and margin, as numbers; exact but for what is rounded on the way. */
export interface Scales {
  readonly taxed: (weight: Weight) => number;
  readonly net: (weight: Weight) => number;
  readonly earned: (weight: Weight) => number;
  /** After the discounts of the sections and the whole, fees with it. */
  readonly total: (sections: readonly { readonly taxed: number; readonly net: number }[]) => number;
  /** What a discount of a fixed amount takes off what is earned, at least and at most, per unit. */
  readonly earnedOff: readonly [least: number, most: number];
  /** By how much the true total can be off what `total` says: every rounding on the way. */
  readonly slack: number;
}

/** The share that a discount takes off a sum. */
const off = (net: number, discount: ProposalDocument['discount'], unit: number): number => {
  if (!discount || net <= 0) return 0;
  if ('percent' in discount) return Number(discount.percent) / 100;
  return Math.min(1, (Number(discount.amount) * unit) / net);
};

/**
 * The scales of a document.
 * @param lines how many amounts of lines there are, where tax is rounded on each
 * @param minorDigits decimals of the currency
 */
export function scalesOf(document: ProposalDocument, minorDigits: number, lines: number): Scales {
  const unit = 10 ** minorDigits;
  const rates = new Map(
    document.taxClasses.map((taxClass) => [
      taxClass.id,
      document.tax?.exempt
        ? 0
        : effectiveRates(taxClass).reduce((sum, { top, bottom }) => sum + Number(top) / Number(bottom), 0),
    ]),
  );
  const inside = document.tax?.inside === true;
  const withTax = (taxClass: string) => (inside ? 1 : 1 + (rates.get(taxClass) ?? 0));
  const fee = document.fees.reduce(
    (sum, { amount, taxClass }) =>
      'percent' in amount && amount.most === undefined
        ? sum + (Number(amount.percent) / 100) * withTax(taxClass)
        : sum,
    0,
  );
  /** Fees that stop at an amount hang on the whole net: they grow with it, up to there. */
  const stopped = document.fees.flatMap(({ amount, taxClass }) =>
    'percent' in amount && amount.most !== undefined
      ? [{ rate: Number(amount.percent) / 100, most: Number(amount.most) * unit, by: withTax(taxClass) }]
      : [],
  );
  const stoppedOn = (net: number) =>
    stopped.reduce((all, { rate, most, by }) => all + Math.max(-most, Math.min(most, net * rate)) * by, 0);
  const sum = (weight: Weight, of: (taxClass: string) => number) => {
    let total = 0;
    for (const [taxClass, amount] of weight.net) total += amount * of(taxClass);
    return total;
  };
  const fixedFees = document.fees.reduce(
    (all, { amount, taxClass }) =>
      'fixed' in amount ? all + Number(amount.fixed) * unit * withTax(taxClass) : all,
    0,
  );
  const components = document.taxClasses.reduce((all, taxClass) => all + taxClass.components.length, 0);
  const discounts = [...document.sections, document].filter(({ discount }) => discount).length;
  const earnedOff = inside ? [...rates.values()].map((rate) => 1 / (1 + rate)) : [1];
  return {
    taxed: (weight) => sum(weight, (taxClass) => withTax(taxClass) + fee),
    net: (weight) => sum(weight, () => 1),
    earned: (weight) => sum(weight, (taxClass) => (inside ? 1 / (1 + (rates.get(taxClass) ?? 0)) : 1)),
    total: (sections) => {
      let taxed = 0;
      let net = 0;
      sections.forEach((section, i) => {
        const kept = 1 - off(section.net, document.sections[i]!.discount, unit);
        taxed += section.taxed * kept;
        net += section.net * kept;
      });
      const left = 1 - off(net, document.discount, unit);
      return taxed * left + stoppedOn(net * left) + fixedFees;
    },
    earnedOff: [Math.min(...earnedOff), Math.max(...earnedOff)],
    // A discount is off by half a unit and shifts less than one between classes; fees and taxes by half a unit each.
    slack:
      0.01 +
      discounts * (1 + document.taxClasses.length / 2) +
      document.fees.length +
      (components / 2 + (inside ? document.taxClasses.length / 2 : 0)) *
        (document.tax?.rounding === 'line' ? lines + document.fees.length : 1),
  };
}

/** The most (or least) each measure of a decision can come to, each by itself, by section. */
export interface Extremes {
  readonly taxed: number;
  readonly net: number;
  readonly value: number;
}

/**
 * What a decision comes to at most, by each measure alone: its best option with the best of what hangs below.
 * @param value another measure, of a whole weight
 */
export function extremesOf(
  scales: Scales,
  most: boolean,
  value: (weight: Weight, section: number) => number,
): (decision: Decision) => Extremes {
  const better = most ? Math.max : Math.min;
  const extremes = memoByIdentity((decision: Decision): Extremes => {
    let found: Extremes | null = null;
    for (const option of decision.options) {
      let taxed = scales.taxed(option.weight);
      let net = scales.net(option.weight);
      let own = value(option.weight, decision.section);
      for (const inner of option.below) {
        const below = extremes(inner);
        taxed += below.taxed;
        net += below.net;
        own += below.value;
      }
      found = found
        ? { taxed: better(found.taxed, taxed), net: better(found.net, net), value: better(found.value, own) }
        : { taxed, net, value: own };
    }
    return found ?? { taxed: 0, net: 0, value: 0 };
  });
  return extremes;
}

/** Are all amounts of a tree above zero? A discount falls on those only; the bounds take it to fall on all. */
export function allAbove(tree: Tree): boolean {
  const above = (weight: Weight) => [...weight.net.values()].every((amount) => amount >= 0);
  const fits = (decision: Decision): boolean =>
    decision.options.every(({ weight, below }) => above(weight) && below.every(fits));
  return tree.fixed.every(above) && tree.decisions.every(fits);
}
