import { memoByIdentity } from '../collections/memoByIdentity';
import type { ProposalDocument, TaxClass } from '@/model';
import type { Amount, Ratio } from '../number';
import {
  ONE,
  ZERO,
  allocateSigned,
  divideRounded,
  integer,
  parsePercent,
  plus,
  reduced,
  shareOf,
  subtractAmounts,
} from '../number';

export interface TaxFigures {
  readonly taxClass: string;
  readonly component: string;
  readonly name: string;
  readonly percent: string;
  /** Sum of the net amounts in the class; with a tax on top of others, those taxes included. */
  readonly base: Amount;
  readonly amount: Amount;
}

/** What of a document settles its tax. */
export interface TaxRules {
  readonly taxClasses: readonly TaxClass[];
  readonly tax?: ProposalDocument['tax'] | undefined;
}

/** Each component as a share of the net, what it takes of the components before it included. */
export const effectiveRates = memoByIdentity((taxClass: TaxClass): readonly Ratio[] => {
  let before = integer(0n);
  return taxClass.components.map(({ percent, onTop }) => {
    const rate = reduced(parsePercent(percent), ONE);
    const share = onTop
      ? reduced(rate.top * (before.top + before.bottom), rate.bottom * before.bottom)
      : rate;
    before = plus(before, share);
    return share;
  });
});

/** All components of a class together, as a share of the net. */
export const wholeRate = (taxClass: TaxClass): Ratio => effectiveRates(taxClass).reduce(plus, integer(0n));

/**
 * What an amount of a class is without the tax inside it: gross ÷ (1 + rate), rounded to the minor unit. The amount
 * itself where prices carry no tax or the customer pays none.
 * @param amount minor units, with the tax inside it
 */
export function withoutTax(amount: Amount, taxClass: TaxClass | undefined, { tax }: TaxRules): Amount {
  if (!tax?.inside || tax.exempt || !taxClass) return amount;
  const { top, bottom } = wholeRate(taxClass);
  return divideRounded(amount * bottom, bottom + top) as Amount;
}

/** By what a price before tax is multiplied to become the price that is shown: 1, or 1 + rate where tax is inside. */
export function taxFactor(taxClass: TaxClass | undefined, { tax }: TaxRules): Ratio {
  if (!tax?.inside || tax.exempt || !taxClass) return integer(1n);
  const { top, bottom } = wholeRate(taxClass);
  return { top: bottom + top, bottom };
}

/** The components of one amount, each rounded once; with tax inside, the parts of what the amount holds of it. */
function taxesOf(amount: Amount, taxClass: TaxClass, rules: TaxRules): { base: Amount; amount: Amount }[] {
  if (rules.tax?.exempt) return taxClass.components.map(() => ({ base: amount, amount: ZERO }));
  const net = withoutTax(amount, taxClass, rules);
  const inside = rules.tax?.inside
    ? allocateSigned(subtractAmounts(amount, net), inCommon(effectiveRates(taxClass)))
    : null;
  let before = 0n;
  return taxClass.components.map((component, i) => {
    const base = (component.onTop ? net + before : net) as Amount;
    const taken = inside?.[i] ?? shareOf(base, parsePercent(component.percent));
    before += taken;
    return { base, amount: taken };
  });
}

function inCommon(ratios: readonly Ratio[]): bigint[] {
  const bottom = ratios.reduce((all, each) => all * each.bottom, 1n);
  return ratios.map((each) => (each.top * bottom) / each.bottom);
}

/**
 * Tax per component of every class. Rounded once on the sum of the class (the way of EN 16931), or on each line where
 * the document says so: then `amounts` are those of the lines.
 *
 * @param amounts by class, what is taxed, after all discounts, fees with it; with tax inside, it included
 */
export function taxesOn(amounts: ReadonlyMap<string, readonly Amount[]>, rules: TaxRules): TaxFigures[] {
  return rules.taxClasses.flatMap((taxClass) => {
    const sums = taxClass.components.map(() => ({ base: 0n, amount: 0n }));
    for (const each of amounts.get(taxClass.id) ?? [])
      for (const [i, tax] of taxesOf(each, taxClass, rules).entries()) {
        sums[i]!.base += tax.base;
        sums[i]!.amount += tax.amount;
      }
    return taxClass.components.map(({ id, name, percent }, i): TaxFigures => ({
      taxClass: taxClass.id,
      component: id,
      name,
      percent,
      base: sums[i]!.base as Amount,
      amount: sums[i]!.amount as Amount,
    }));
  });
}
