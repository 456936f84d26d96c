import type { Choices, CostType, Load, ProposalDocument } from '@/model';
import { asSuggested, costTypes } from '@/model';
import type { Amount, Fixed, Ratio } from '../number';
import {
  ZERO,
  allocateSigned,
  divideRounded,
  integer,
  plus,
  powerOfTen,
  ratio,
  reduced,
  sumAmounts,
} from '../number';
import { decide } from './decided';
import { loadFactors } from './loads';
import { pricingOf } from './pricing';
import type { RoomFigures } from './rooms';
import { floorOf, roomFigures } from './rooms';
import type { SectionFigures } from './section';
import { sectionFigures, sumBeforeTax } from './section';
import { withoutTax } from './tax';
import type { Totals } from './totals';
import { addSums, sharesByAmount, totalsOf } from './totals';

export interface LoadFigures {
  readonly load: Load;
  readonly amount: Amount;
}

/** Everything that can be read off a proposal for one set of choices. All amounts in the minor unit of its currency. */
export interface Figures extends Totals {
  readonly minorDigits: number;
  readonly sections: readonly SectionFigures[];
  /** The rooms that have a size, with what it comes to and who follows it. */
  readonly rooms: readonly RoomFigures[];
  /** Floor in square feet of the sections’ own spaces, and of every room that is followed, once; null without any. */
  readonly floor: Fixed | null;
  readonly cost: Amount;
  /**
   * What each load adds, those of lines of their own with it (or behind, where the proposal has none of the kind); with
   * `allowanceFees` and `unloaded` they lead from cost to `priced` exactly.
   */
  readonly loads: readonly LoadFigures[];
  /** Held prices and rounding, where no profit load is there to carry them. */
  readonly unloaded: Amount;
  /** Fees inside the prices of allowances: no markup of the proposal, and in part given back where less is chosen. */
  readonly allowanceFees: Amount;
  /** Tax inside the prices of the lines before any discount; zero where tax comes on top. */
  readonly taxInside: Amount;
  /** Lines at their unit prices, before any discount; tax inside with them. */
  readonly priced: Amount;
  /** Discounts on lines and sections. */
  readonly innerDiscount: Amount;
  /** Subtotal before tax less cost; fees are passed through and count in neither. */
  readonly profit: Amount;
  /** Profit ÷ subtotal before tax; null when there is nothing to divide by. */
  readonly margin: Fixed | null;
  /** Profit ÷ cost; null when there is nothing to divide by. */
  readonly markup: Fixed | null;
}

/** Everything taken off the prices: on lines and sections, and on the whole. */
export const discountsOf = ({ innerDiscount, discount }: Figures): Amount =>
  sumAmounts([innerDiscount, discount]);

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
        const into =
          loads.find(({ id, kind }) => id === load.id && kind === load.kind) ??
          loads.find(({ kind }) => kind === load.kind) ??
          beside.get(key) ??
          load;
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

/**
 * Computes a proposal: lines, discounts on lines, then sections, then the whole, fees on the discounted subtotal, tax.
 * Discounts on sections and the whole fall on tax classes by what is in them, then on their lines. Decisions the
 * customer has not made, and those the document does not know, stand as suggested.
 *
 * Unchanged sections are not computed again: identity of the section object is the key.
 *
 * @throws RangeError for a load of 100 % of the price or more
 */
export function computeFigures(document: ProposalDocument, choices: Choices = asSuggested): Figures {
  const pricing = pricingOf(document);
  const { minorDigits: digits } = pricing;
  const decisions = decide(document, choices);
  const sections = document.sections.map((section) => sectionFigures(section, decisions, pricing));
  const rooms = roomFigures(document, pricing.measures);

  let cost = 0n;
  let amount = 0n;
  let sectionNet = 0n;
  let gross = 0n;
  for (const section of sections) {
    cost += section.cost;
    amount += section.amount;
    sectionNet += section.net;
    gross += section.gross;
  }

  const totals = totalsOf(
    document,
    digits,
    sections.map(({ sums }) => sums),
    (shares) => linesAfter(sections, shares),
  );

  const added = loadAmounts(document.loads, sections, digits);
  const grossBeforeTax = !document.tax?.inside
    ? gross
    : document.tax.rounding === 'line'
      ? sumAmounts(sections.map((section) => section.grossBeforeTax))
      : sumBeforeTax(addSums(sections.map((section) => section.grossSums)), pricing);
  const taxInside = gross - grossBeforeTax;
  const allowanceFees = sumAmounts(sections.map((section) => section.allowanceFees));
  const missing =
    gross - taxInside - cost - allowanceFees - added.reduce((sum, { amount: each }) => sum + each, 0n);
  const carrier = document.loads.findLastIndex((load) => load.kind === 'profit');
  const loads = added.map(({ load, amount: each }, i): LoadFigures => ({
    load,
    amount: (i === carrier ? each + missing : each) as Amount,
  }));

  const profit = (totals.beforeTax - cost) as Amount;
  return {
    minorDigits: digits,
    sections,
    rooms,
    floor: floorOf(sections, rooms),
    cost: cost as Amount,
    loads,
    unloaded: carrier === -1 ? (missing as Amount) : ZERO,
    allowanceFees,
    taxInside: taxInside as Amount,
    priced: gross as Amount,
    innerDiscount: (gross - amount + (amount - sectionNet)) as Amount,
    ...totals,
    profit,
    margin: ratio(profit, totals.beforeTax),
    markup: ratio(profit, cost),
  };
}

/** What every line taken in comes to after the discount on the whole, in the order of sections and lines. */
function linesAfter(sections: readonly SectionFigures[], shares: ReadonlyMap<string, Amount>): NetPart[] {
  const rows = sections.flatMap((section) =>
    section.lines
      .filter(({ included }) => included)
      .map(({ line, netOfSection }): NetPart => ({
        id: line.id,
        taxClass: line.taxClass,
        net: netOfSection,
      })),
  );
  if (shares.size === 0) return rows;
  const off = sharesByAmount(shares, rows);
  return rows.map((row, i) => ({ ...row, net: (row.net - off[i]!) as Amount }));
}

/**
 * The net of every line taken in and of every fee, after all discounts and without the tax inside it. With the taxes
 * they sum to the total exactly.
 */
export function netParts(
  document: Pick<ProposalDocument, 'taxClasses' | 'tax'>,
  figures: Figures,
): NetPart[] {
  const parts = [
    ...linesAfter(figures.sections, figures.discountShares),
    ...figures.fees.map(({ fee, amount }): NetPart => ({ id: fee.id, taxClass: fee.taxClass, net: amount })),
  ];
  if (!document.tax?.inside) return parts;
  const nets = parts.map(() => ZERO);
  for (const taxClass of document.taxClasses) {
    const places = parts.flatMap((part, i) => (part.taxClass === taxClass.id ? [i] : []));
    const amounts = places.map((i) => parts[i]!.net);
    const whole = amounts.reduce((sum, each) => sum + each, 0n) as Amount;
    const split =
      document.tax.rounding === 'line'
        ? amounts.map((each) => withoutTax(each, taxClass, document))
        : allocateSigned(withoutTax(whole, taxClass, document), amounts);
    places.forEach((place, i) => (nets[place] = split[i]!));
  }
  return parts.map((part, i) => ({ ...part, net: nets[i]! }));
}
