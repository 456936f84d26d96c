import type { Choices, CostType, Fee, Load, ProposalDocument } from '@/model';
import { asSuggested, costTypes } from '@/model';
import type { Amount, Fixed, Ratio } from '../number';
import {
  ZERO,
  allocate,
  divideRounded,
  integer,
  parseAmount,
  parsePercent,
  plus,
  powerOfTen,
  ratio,
  reduced,
  shareOf,
  sumAmounts,
} from '../number';
import { discountOn } from './line';
import { loadFactors } from './loads';
import { pricingOf } from './pricing';
import type { SectionFigures } from './section';
import { sectionFigures } from './section';

export interface LoadFigures {
  readonly load: Load;
  readonly amount: Amount;
}

export interface FeeFigures {
  readonly fee: Fee;
  readonly amount: Amount;
}

export interface TaxFigures {
  readonly taxClass: string;
  readonly component: string;
  readonly name: string;
  readonly percent: string;
  /** Sum of the net amounts in the class. */
  readonly base: Amount;
  readonly amount: Amount;
}

/** Everything that can be read off a proposal for one set of choices. All amounts in the minor unit of its currency. */
export interface Figures {
  readonly minorDigits: number;
  readonly sections: readonly SectionFigures[];
  /** Floor of all spaces in square feet; null where no section has one. */
  readonly floor: Fixed | null;
  readonly cost: Amount;
  /** What each load adds, those of lines of their own with it (or behind, where the proposal has none of the kind); with `unloaded` they lead from cost to `priced` exactly. */
  readonly loads: readonly LoadFigures[];
  /** Held prices and rounding, where no profit load is there to carry them. */
  readonly unloaded: Amount;
  /** Lines at their unit prices, before any discount. */
  readonly priced: Amount;
  /** Discounts on lines and sections. */
  readonly innerDiscount: Amount;
  /** Discount on the whole. */
  readonly discount: Amount;
  /** What the lines cost the customer before fees and tax. */
  readonly subtotal: Amount;
  readonly fees: readonly FeeFigures[];
  readonly taxes: readonly TaxFigures[];
  readonly taxTotal: Amount;
  readonly total: Amount;
  /** Subtotal less cost; fees are passed through and count in neither. */
  readonly profit: Amount;
  /** Profit ÷ subtotal; null when there is nothing to divide by. */
  readonly margin: Fixed | null;
  /** Profit ÷ cost; null when there is nothing to divide by. */
  readonly markup: Fixed | null;
}

/** One line (or fee) as it stands after every discount, for tax, stages and agreements. */
export interface NetPart {
  readonly id: string;
  readonly taxClass: string;
  readonly net: Amount;
}

/** What loads of lines of their own add, exactly, each beside the load of the proposal it belongs to, or by itself. */
function ownLoadAmounts(loads: readonly Load[], sections: readonly SectionFigures[]): Map<Load, Ratio> {
  const sums = new Map<Load, Ratio>();
  const beside = new Map<string, Load>();
  for (const { ownLoads } of sections)
    for (const own of ownLoads) {
      const factors = loadFactors(own.loads);
      for (const [i, load] of own.loads.entries()) {
        const top = costTypes.reduce((sum, type) => sum + own.exactCost[type] * factors.added[i]![type], 0n);
        if (top === 0n) continue;
        const key = `${load.kind} ${load.name}`;
        const into = loads.find(({ kind }) => kind === load.kind) ?? beside.get(key) ?? load;
        if (into === load) beside.set(key, load);
        sums.set(into, plus(sums.get(into) ?? integer(0n), reduced(top, factors.bottom)));
      }
    }
  return sums;
}

function loadAmounts(
  loads: readonly Load[],
  sections: readonly SectionFigures[],
  digits: number,
): { readonly load: Load; readonly amount: Amount }[] {
  const factors = loadFactors(loads);
  const exact = (type: CostType) => sections.reduce((sum, section) => sum + section.exactCost[type], 0n);
  const costs = costTypes.map((type) => [type, exact(type)] as const);
  const own = ownLoadAmounts(loads, sections);
  const unit = powerOfTen(12 - digits);
  const rounded = (load: Load, { top, bottom }: Ratio) => {
    const extra = own.get(load);
    const all = extra ? plus(reduced(top, bottom), extra) : { top, bottom };
    return { load, amount: divideRounded(all.top, all.bottom * unit) as Amount };
  };
  const known = new Set(loads);
  return [
    ...factors.added.map((added, i) =>
      rounded(loads[i]!, {
        top: costs.reduce((sum, [type, cost]) => sum + cost * added[type], 0n),
        bottom: factors.bottom,
      }),
    ),
    ...[...own.keys()].filter((load) => !known.has(load)).map((load) => rounded(load, integer(0n))),
  ];
}

/** Shares of the whole's discount by line, in the order of sections and lines. */
function wholeDiscountShares(sections: readonly SectionFigures[], discount: Amount): Amount[] {
  return allocate(
    discount,
    sections.flatMap((section) =>
      section.lines.map((line) => (line.netOfSection > 0n ? line.netOfSection : 0n)),
    ),
  );
}

/** The tax class that every amount a discount could fall on is in, or null when there are several. */
function onlyTaxClass(sections: readonly SectionFigures[]): string | null {
  const classes = new Set(sections.flatMap(({ netByTaxClass }) => [...netByTaxClass.keys()]));
  const [first] = classes;
  return classes.size === 1 ? first! : null;
}

function baseByTaxClass(sections: readonly SectionFigures[], discount: Amount, fees: readonly FeeFigures[]) {
  const bases = new Map<string, bigint>();
  const add = (taxClass: string, net: bigint) => bases.set(taxClass, (bases.get(taxClass) ?? 0n) + net);
  for (const section of sections) for (const [taxClass, net] of section.netByTaxClass) add(taxClass, net);
  const only = discount === 0n ? null : onlyTaxClass(sections);
  if (only !== null) add(only, -discount);
  else if (discount !== 0n) {
    const shares = wholeDiscountShares(sections, discount);
    let i = 0;
    for (const section of sections)
      for (const line of section.lines) {
        const share = shares[i++]!;
        if (share !== 0n) add(line.line.taxClass, -share);
      }
  }
  for (const { fee, amount } of fees) add(fee.taxClass, amount);
  return bases;
}

/**
 * Computes a proposal: lines, discounts on lines, then sections, then the whole, fees on the discounted subtotal, tax
 * per component on the sum of net amounts in a class, rounded once (the way of EN 16931). Decisions the customer has
 * not made, and those the document does not know, stand as suggested.
 *
 * Unchanged sections are not computed again: identity of the section object is the key.
 *
 * @throws RangeError for a load of 100 % of the price or more
 */
export function computeFigures(document: ProposalDocument, choices: Choices = asSuggested): Figures {
  const pricing = pricingOf(document);
  const { minorDigits: digits } = pricing;
  const sections = document.sections.map((section) => sectionFigures(section, choices, pricing));

  let cost = 0n;
  let amount = 0n;
  let sectionNet = 0n;
  let gross = 0n;
  let floor: bigint | null = null;
  for (const section of sections) {
    if (section.space?.figures) floor = (floor ?? 0n) + section.space.figures.floor;
    cost += section.cost;
    amount += section.amount;
    sectionNet += section.net;
    gross += section.gross;
  }

  const discount = discountOn(sectionNet as Amount, document.discount, digits);
  const subtotal = (sectionNet - discount) as Amount;

  const fees = document.fees.map((fee): FeeFigures => ({
    fee,
    amount:
      'fixed' in fee.amount
        ? parseAmount(fee.amount.fixed, digits)
        : shareOf(subtotal, parsePercent(fee.amount.percent)),
  }));

  const bases = baseByTaxClass(sections, discount, fees);
  const taxes = document.taxClasses.flatMap((taxClass) =>
    taxClass.components.map((component): TaxFigures => {
      const base = (bases.get(taxClass.id) ?? 0n) as Amount;
      return {
        taxClass: taxClass.id,
        component: component.id,
        name: component.name,
        percent: component.percent,
        base,
        amount: shareOf(base, parsePercent(component.percent)),
      };
    }),
  );

  const added = loadAmounts(document.loads, sections, digits);
  const missing = gross - cost - added.reduce((sum, { amount: each }) => sum + each, 0n);
  const carrier = document.loads.findLastIndex((load) => load.kind === 'profit');
  const loads = added.map(({ load, amount: each }, i): LoadFigures => ({
    load,
    amount: (i === carrier ? each + missing : each) as Amount,
  }));

  const taxTotal = sumAmounts(taxes.map((tax) => tax.amount));
  const profit = (subtotal - cost) as Amount;
  return {
    minorDigits: digits,
    sections,
    floor: floor as Fixed | null,
    cost: cost as Amount,
    loads,
    unloaded: carrier === -1 ? (missing as Amount) : ZERO,
    priced: gross as Amount,
    innerDiscount: (gross - amount + (amount - sectionNet)) as Amount,
    discount,
    subtotal,
    fees,
    taxes,
    taxTotal,
    total: (subtotal + sumAmounts(fees.map((fee) => fee.amount)) + taxTotal) as Amount,
    profit,
    margin: ratio(profit, subtotal),
    markup: ratio(profit, cost),
  };
}

/**
 * The net of every line taken in and of every fee, after all discounts. They sum to subtotal + fees exactly.
 */
export function netParts(figures: Figures): NetPart[] {
  const shares = figures.discount === 0n ? null : wholeDiscountShares(figures.sections, figures.discount);
  const parts: NetPart[] = [];
  let i = 0;
  for (const section of figures.sections)
    for (const line of section.lines) {
      const share = shares?.[i++] ?? 0n;
      if (line.included)
        parts.push({
          id: line.line.id,
          taxClass: line.line.taxClass,
          net: (line.netOfSection - share) as Amount,
        });
    }
  for (const { fee, amount } of figures.fees) parts.push({ id: fee.id, taxClass: fee.taxClass, net: amount });
  return parts;
}
