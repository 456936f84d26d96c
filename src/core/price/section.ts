import type { Measuring } from '@/model';
import { measuredAs } from '../formula';
import { reduced } from '../number';
import { memoByIdentity, memoLast } from '../collections/memoByIdentity';
import type { Bundle, CostType, Line, Load, Section } from '@/model';
import { costTypes } from '@/model';
import type { SizedBundle } from '../bundle';
import { sizeBundle } from '../bundle';
import type { Decisions } from './decided';
import {
  bundlesOf,
  decidedAlternative,
  decidedBundle,
  decidedQuantity,
  extrasOf,
  isIn,
  questionsOf,
} from './decided';
import type { Amount, Fixed } from '../number';
import { ZERO, allocate, divideRounded, ratio } from '../number';
import type { ReadSpace } from '../space';
import { surroundingsIn } from '../space';
import { pricedLine } from './allowanceLine';
import { followedQuantity } from './follow';
import { givenPrice } from './given';
import type { LineFigures } from './line';
import { discountOn } from './discount';
import { lineFigures } from './line';
import { loadsOfLine } from './lineLoads';
import type { Pricing } from './pricing';
import { withoutTax } from './tax';
import type { ClassSum, ClassSums } from './totals';
import { addTo, discounted, sharesByAmount } from './totals';

export interface SectionLine extends LineFigures {
  /** The choices take the line in; only then does it count. */
  readonly included: boolean;
  /** Net of the line's and the section's discount; zero when not included. */
  readonly netOfSection: Amount;
  /** The bundle whose part it is. */
  readonly bundle: Bundle | null;
  /** Why its formula gives nothing; it counts as zero then. */
  readonly trouble: string | null;
}

export interface BundleFigures {
  readonly bundle: Bundle;
  readonly sized: SizedBundle;
  readonly included: boolean;
  /** Its lines that count, in the order of the section's lines. */
  readonly lines: readonly SectionLine[];
  /** Sums over its lines, whether or not the choices take it in. */
  readonly cost: Amount;
  readonly gross: Amount;
  /** The bundle's own discount and those of its lines. */
  readonly discount: Amount;
  readonly net: Amount;
}

export interface OwnLoads {
  readonly loads: readonly Load[];
  readonly exactCost: Readonly<Record<CostType, bigint>>;
}

export interface SectionFigures {
  readonly section: Section;
  /** Every line in order, those of bundles and those that are not taken in included. */
  readonly lines: readonly SectionLine[];
  /** Cost of the lines taken in. */
  readonly cost: Amount;
  /** Exact cost by type, in 10⁻¹² of the currency, of the lines taken in that carry the proposal's loads. */
  readonly exactCost: Readonly<Record<CostType, bigint>>;
  /** The same of each line taken in that has markup of its own. */
  readonly ownLoads: readonly OwnLoads[];
  /** Fees inside the prices of the allowances taken in, before any discount and tax. */
  readonly allowanceFees: Amount;
  /** Lines taken in, at their unit prices. */
  readonly gross: Amount;
  /** Lines taken in, net of their own discounts. */
  readonly amount: Amount;
  readonly discount: Amount;
  readonly net: Amount;
  /** Net without the tax inside it. */
  readonly beforeTax: Amount;
  /** The choices take the section in. */
  readonly included: boolean;
  /** Net by tax class. */
  readonly sums: ClassSums;
  /** Lines at their unit prices, by tax class. */
  readonly grossSums: ClassSums;
  /** Lines at their unit prices without the tax inside them, each rounded by itself; for documents that round so. */
  readonly grossBeforeTax: Amount;
  /** Its bundles by id. */
  readonly bundles: ReadonlyMap<string, BundleFigures>;
  /** The dimensions it follows, its own or those of its room. */
  readonly space: ReadSpace | null;
  /** (Net before tax − cost) ÷ net before tax, before the discount on the whole; null when there is nothing to divide by. */
  readonly margin: Fixed | null;
}

interface Deciders {
  readonly extras: readonly string[];
  readonly questions: readonly string[];
  /** Everything a level can leave out or grade. */
  readonly parts: ReadonlySet<string>;
}
const decidersOf = memoByIdentity((section: Section): Deciders => {
  const parts = new Set([section.id, ...section.entries.map(({ id }) => id)]);
  for (const question of questionsOf(section))
    for (const { lines } of question.alternatives) for (const { id } of lines) parts.add(id);
  return {
    extras: [...extrasOf(section)].map(({ id }) => id),
    questions: [...questionsOf(section)].map(({ id }) => id),
    parts,
  };
});

/** What of the decisions this section depends on. */
function decisionKey(section: Section, { choices, without, grades }: Decisions): string {
  const { extras, questions, parts } = decidersOf(section);
  const keys = [
    ...extras.map((id) => JSON.stringify(choices.extras[id] ?? null)),
    ...questions.map((id) => choices.questions[id] ?? ''),
  ];
  for (const id of without) if (parts.has(id)) keys.push(`-${id}`);
  for (const [id, grade] of grades) if (parts.has(id)) keys.push(`${id}=${grade}`);
  return keys.join('|');
}

interface Computed {
  readonly figures: LineFigures;
  readonly included: boolean;
  readonly bundle: Bundle | null;
  readonly trouble: string | null;
}

/** Lines of a bundle, its own discount spread over them. */
export function bundleLines(
  bundle: Bundle,
  sized: SizedBundle,
  pricing: Pricing,
  around: readonly Load[] | undefined,
): readonly LineFigures[] {
  const lines = sized.lines.map((line) =>
    lineFigures(line, line.quantity, pricing, bundle.loads ?? around, givenPrice(line, pricing, bundle)),
  );
  const net = lines.reduce((sum, line) => sum + line.net, 0n) as Amount;
  const discount = discountOn(net, bundle.discount, pricing.minorDigits);
  if (discount === 0n) return lines;
  const shares = allocate(
    discount,
    lines.map((line) => (line.net > 0n ? line.net : 0n)),
  );
  return lines.map((line, i) => ({
    ...line,
    discount: (line.discount + shares[i]!) as Amount,
    net: (line.net - shares[i]!) as Amount,
  }));
}

function* decided(section: Section, decisions: Decisions, pricing: Pricing): Generator<Computed> {
  function* compute(entry: Line | Bundle, within: boolean): Generator<Computed> {
    const included = within && isIn(entry, decisions);
    if (entry.kind === 'line') {
      const { quantity, trouble } = followedQuantity(entry, surroundingsIn(pricing, section, entry));
      const counted = decidedQuantity(entry, decisions.choices, quantity);
      yield {
        figures: lineFigures(
          pricedLine(entry, pricing),
          counted,
          pricing,
          section.loads,
          givenPrice(entry, pricing),
        ),
        included,
        bundle: null,
        trouble,
      };
      return;
    }
    const bundle = decidedBundle(entry, decisions);
    const sized = sizeBundle(bundle, surroundingsIn(pricing, section, entry));
    for (const figures of bundleLines(bundle, sized, pricing, section.loads))
      yield { figures, included, bundle, trouble: null };
  }
  const whole = isIn(section, decisions);
  for (const entry of section.entries) {
    if (entry.kind !== 'question') {
      yield* compute(entry, whole);
      continue;
    }
    const asked = whole && isIn(entry, decisions);
    const picked = decidedAlternative(entry, decisions.choices);
    for (const alternative of entry.alternatives)
      for (const inner of alternative.lines) yield* compute(inner, asked && alternative.id === picked);
  }
}

function figuresOfBundles(
  section: Section,
  lines: readonly SectionLine[],
  decisions: Decisions,
  pricing: Pricing,
): ReadonlyMap<string, BundleFigures> {
  const byBundle = new Map<string, SectionLine[]>();
  for (const line of lines) {
    if (!line.bundle) continue;
    const of = byBundle.get(line.bundle.id);
    if (of) of.push(line);
    else byBundle.set(line.bundle.id, [line]);
  }
  const figures = new Map<string, BundleFigures>();
  for (const each of bundlesOf(section)) {
    const bundle = decidedBundle(each, decisions);
    const own = byBundle.get(bundle.id) ?? [];
    const sum = (of: (line: SectionLine) => Amount) =>
      own.reduce((total, line) => total + of(line), 0n) as Amount;
    figures.set(bundle.id, {
      bundle,
      sized: sizeBundle(bundle, surroundingsIn(pricing, section, each)),
      included: own[0]?.included ?? isIn(bundle, decisions),
      lines: own,
      cost: sum(({ costAmount }) => costAmount),
      gross: sum(({ gross }) => gross),
      discount: sum(({ discount }) => discount),
      net: sum(({ net }) => net),
    });
  }
  return figures;
}

function compute(section: Section, decisions: Decisions, pricing: Pricing): SectionFigures {
  const lines: Computed[] = [];
  const ownLoads: OwnLoads[] = [];
  const exactCost: Record<CostType, bigint> = {
    material: 0n,
    labour: 0n,
    equipment: 0n,
    subcontract: 0n,
    other: 0n,
  };
  let cost = 0n;
  let gross = 0n;
  let amount = 0n;
  let allowanceFees = 0n;
  let grossBeforeTax = 0n;
  const before = new Map<string, ClassSum>();
  const grossSums = new Map<string, ClassSum>();
  for (const line of decided(section, decisions, pricing)) {
    lines.push(line);
    if (!line.included) continue;
    const { figures } = line;
    cost += figures.costAmount;
    gross += figures.gross;
    grossBeforeTax += withoutTax(figures.gross, pricing.classes.get(figures.line.taxClass), pricing);
    amount += figures.net;
    addTo(before, figures.line.taxClass, figures.net);
    addTo(grossSums, figures.line.taxClass, figures.gross);
    if (figures.line.allowance) {
      // What an allowance carries is its own fee and no markup of the proposal.
      const priced = withoutTax(figures.gross, pricing.classes.get(figures.line.taxClass), pricing);
      allowanceFees += priced - figures.costAmount;
      continue;
    }
    const own = loadsOfLine(figures.line, line.bundle?.loads ?? section.loads, pricing.loads);
    if (own) ownLoads.push({ loads: own, exactCost: figures.exactCost });
    else for (const type of costTypes) exactCost[type] += figures.exactCost[type];
  }

  const { discount, shares, sums } = discounted(before, section.discount, pricing, pricing.minorDigits);
  const shareOf =
    discount === 0n
      ? null
      : sharesByAmount(
          shares,
          lines.map(({ figures, included }) => ({
            taxClass: figures.line.taxClass,
            net: included ? figures.net : ZERO,
          })),
        );
  const withNet = lines.map(({ figures, included, bundle, trouble }, i): SectionLine => {
    const netOfSection = included ? ((figures.net - (shareOf?.[i] ?? 0n)) as Amount) : ZERO;
    // Field by field: a spread of so many fields is many times slower, and this runs for every line.
    return {
      line: figures.line,
      quantity: figures.quantity,
      cost: figures.cost,
      exactCost: figures.exactCost,
      costAmount: figures.costAmount,
      unitPrice: figures.unitPrice,
      held: figures.held,
      shaped: figures.shaped,
      unpriced: figures.unpriced,
      minimumApplied: figures.minimumApplied,
      gross: figures.gross,
      discount: figures.discount,
      net: figures.net,
      included,
      netOfSection,
      bundle,
      trouble,
    };
  });
  const net = (amount - discount) as Amount;
  const beforeTax =
    pricing.tax?.rounding === 'line'
      ? (withNet.reduce(
          (sum, { line, netOfSection }) =>
            sum + withoutTax(netOfSection, pricing.classes.get(line.taxClass), pricing),
          0n,
        ) as Amount)
      : sumBeforeTax(sums, pricing);
  return {
    section,
    lines: withNet,
    cost: cost as Amount,
    exactCost,
    ownLoads,
    allowanceFees: allowanceFees as Amount,
    gross: gross as Amount,
    amount: amount as Amount,
    discount,
    net,
    beforeTax,
    included: isIn(section, decisions),
    sums,
    grossSums,
    grossBeforeTax: grossBeforeTax as Amount,
    bundles: figuresOfBundles(section, withNet, decisions, pricing),
    space: surroundingsIn(pricing, section).space,
    margin: ratio(beforeTax - cost, beforeTax),
  };
}

/** Sums by class without the tax inside them, each class rounded once. */
export function sumBeforeTax(sums: ClassSums, pricing: Pricing): Amount {
  let sum = 0n;
  for (const [taxClass, { above, below }] of sums)
    sum += withoutTax((above + below) as Amount, pricing.classes.get(taxClass), pricing);
  return sum as Amount;
}

/**
 * An amount per square foot (meter) of floor, rounded to the minor unit; null where there is no floor.
 * @param amount minor units
 * @param floor square feet to six places
 */
export function perFloorArea(amount: Amount, floor: Fixed | null, measuring: Measuring): Amount | null {
  if (floor === null || floor <= 0n) return null;
  const { ratio } = measuredAs(reduced(floor, 1_000_000n), 2, measuring);
  return divideRounded(amount * ratio.bottom, ratio.top) as Amount;
}

/** What a price by the floor is by: “per sq ft”. */
export const perArea = (measuring: Measuring): string => (measuring === 'us' ? 'per sq ft' : 'per m²');

/** Of each section, with what it was priced last: its figures by what was chosen. */
const keptFigures = memoLast((_section: Section, _pricing: Pricing) => new Map<string, SectionFigures>());
const KEPT_CHOICES = 64;

/**
 * Figures of a section under the given decisions. A section that did not change (same object) with choices seen before is
 * not computed again.
 */
export function sectionFigures(section: Section, decisions: Decisions, pricing: Pricing): SectionFigures {
  const byChoice = keptFigures(section, pricing);
  const key = decisionKey(section, decisions);
  let figures = byChoice.get(key);
  if (!figures) {
    figures = compute(section, decisions, pricing);
    if (byChoice.size >= KEPT_CHOICES) byChoice.clear();
    byChoice.set(key, figures);
  }
  return figures;
}
