import type { Bundle, Choices, CostType, Line, Load, Section } from '@/model';
import { costTypes } from '@/model';
import type { SizedBundle } from '../bundle';
import { sizeBundle } from '../bundle';
import { decidedAlternative, decidedQuantity, extrasOf, isIn } from '../choice/decided';
import type { Amount, Fixed } from '../number';
import { ZERO, allocate, divideRounded, ratio } from '../number';
import type { ReadSpace, Surroundings } from '../space';
import { surroundingsOf } from '../space';
import { followedQuantity } from './follow';
import type { LineFigures } from './line';
import { discountOn, lineFigures } from './line';
import type { Pricing } from './pricing';

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
  /** The same of each line taken in that has loads of its own. */
  readonly ownLoads: readonly OwnLoads[];
  /** Lines taken in, at their unit prices. */
  readonly gross: Amount;
  /** Lines taken in, net of their own discounts. */
  readonly amount: Amount;
  readonly discount: Amount;
  readonly net: Amount;
  readonly netByTaxClass: ReadonlyMap<string, Amount>;
  /** Its bundles by id. */
  readonly bundles: ReadonlyMap<string, BundleFigures>;
  /** What the formulas of the section see, and its space. */
  readonly surroundings: Surroundings;
  readonly space: ReadSpace | null;
  /** (Net − cost) ÷ net, before the discount on the whole; null when there is nothing to divide by. */
  readonly margin: Fixed | null;
}

const deciders = new WeakMap<Section, readonly string[]>();

function decidersOf(section: Section): readonly string[] {
  let ids = deciders.get(section);
  if (!ids) {
    const extras = [...extrasOf(section)].map(({ id }) => id);
    const questions = section.entries.filter((entry) => entry.kind === 'question').map((entry) => entry.id);
    ids = [...extras, ...questions];
    deciders.set(section, ids);
  }
  return ids;
}

function choiceKey(section: Section, choices: Choices): string {
  return decidersOf(section)
    .map((id) => `${JSON.stringify(choices.extras[id] ?? null)}${choices.questions[id] ?? ''}`)
    .join('|');
}

interface Computed {
  readonly figures: LineFigures;
  readonly included: boolean;
  readonly bundle: Bundle | null;
  readonly trouble: string | null;
}

/** Lines of a bundle, its own discount spread over them. */
function bundleLines(
  bundle: Bundle,
  sized: SizedBundle,
  included: boolean,
  pricing: Pricing,
): readonly Computed[] {
  const lines = sized.lines.map((line) => lineFigures(line, line.quantity, pricing));
  const net = lines.reduce((sum, line) => sum + line.net, 0n) as Amount;
  const discount = discountOn(net, bundle.discount, pricing.minorDigits);
  const shares =
    discount === 0n
      ? null
      : allocate(
          discount,
          lines.map((line) => (line.net > 0n ? line.net : 0n)),
        );
  return lines.map((line, i) => {
    const share = shares?.[i] ?? 0n;
    const figures =
      share === 0n
        ? line
        : { ...line, discount: (line.discount + share) as Amount, net: (line.net - share) as Amount };
    return { figures, included, bundle, trouble: null };
  });
}

function* decided(
  section: Section,
  choices: Choices,
  surroundings: Surroundings,
  pricing: Pricing,
): Generator<Computed> {
  const compute = (line: Line, included: boolean): Computed => {
    const { quantity, trouble } = followedQuantity(line, surroundings);
    const figures = lineFigures(line, decidedQuantity(line, choices, quantity), pricing);
    return { figures, included, bundle: null, trouble };
  };
  for (const entry of section.entries) {
    if (entry.kind === 'line') yield compute(entry, isIn(entry, choices));
    else if (entry.kind === 'bundle')
      yield* bundleLines(entry, sizeBundle(entry, surroundings), isIn(entry, choices), pricing);
    else {
      const picked = decidedAlternative(entry, choices);
      for (const alternative of entry.alternatives)
        for (const line of alternative.lines)
          yield compute(line, alternative.id === picked && isIn(line, choices));
    }
  }
}

function figuresOfBundles(
  section: Section,
  lines: readonly SectionLine[],
  choices: Choices,
  surroundings: Surroundings,
): ReadonlyMap<string, BundleFigures> {
  const byBundle = new Map<string, SectionLine[]>();
  for (const line of lines) {
    if (!line.bundle) continue;
    const of = byBundle.get(line.bundle.id);
    if (of) of.push(line);
    else byBundle.set(line.bundle.id, [line]);
  }
  const figures = new Map<string, BundleFigures>();
  for (const bundle of section.entries) {
    if (bundle.kind !== 'bundle') continue;
    const own = byBundle.get(bundle.id) ?? [];
    const sum = (of: (line: SectionLine) => Amount) =>
      own.reduce((total, line) => total + of(line), 0n) as Amount;
    figures.set(bundle.id, {
      bundle,
      sized: sizeBundle(bundle, surroundings),
      included: isIn(bundle, choices),
      lines: own,
      cost: sum(({ costAmount }) => costAmount),
      gross: sum(({ gross }) => gross),
      discount: sum(({ discount }) => discount),
      net: sum(({ net }) => net),
    });
  }
  return figures;
}

function compute(section: Section, choices: Choices, pricing: Pricing): SectionFigures {
  const surroundings = surroundingsOf(section.space, pricing.measures);
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
  for (const line of decided(section, choices, surroundings, pricing)) {
    lines.push(line);
    if (!line.included) continue;
    const { figures } = line;
    cost += figures.costAmount;
    gross += figures.gross;
    amount += figures.net;
    if (figures.line.loads) ownLoads.push({ loads: figures.line.loads, exactCost: figures.exactCost });
    else for (const type of costTypes) exactCost[type] += figures.exactCost[type];
  }

  const discount = discountOn(amount as Amount, section.discount, pricing.minorDigits);
  const shares =
    discount === 0n
      ? null
      : allocate(
          discount,
          lines.map(({ figures, included }) => (included && figures.net > 0n ? figures.net : 0n)),
        );
  const netByTaxClass = new Map<string, Amount>();
  const withNet = lines.map(({ figures, included, bundle, trouble }, i): SectionLine => {
    const netOfSection = included ? ((figures.net - (shares?.[i] ?? 0n)) as Amount) : ZERO;
    if (included) {
      const taxClass = figures.line.taxClass;
      netByTaxClass.set(taxClass, ((netByTaxClass.get(taxClass) ?? 0n) + netOfSection) as Amount);
    }
    // Field by field: a spread of so many fields is many times slower, and this runs for every line.
    return {
      line: figures.line,
      quantity: figures.quantity,
      cost: figures.cost,
      exactCost: figures.exactCost,
      costAmount: figures.costAmount,
      unitPrice: figures.unitPrice,
      held: figures.held,
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
  return {
    section,
    lines: withNet,
    cost: cost as Amount,
    exactCost,
    ownLoads,
    gross: gross as Amount,
    amount: amount as Amount,
    discount,
    net: (amount - discount) as Amount,
    netByTaxClass,
    bundles: figuresOfBundles(section, withNet, choices, surroundings),
    surroundings,
    space: surroundings.space,
    margin: ratio(amount - discount - cost, amount - discount),
  };
}

/** An amount per square foot of floor, rounded to the minor unit; null where there is no floor. */
export function perSquareFoot(amount: Amount, floor: Fixed | null): Amount | null {
  return floor === null || floor <= 0n ? null : (divideRounded(amount * 1_000_000n, floor) as Amount);
}

interface Kept {
  readonly pricing: Pricing;
  readonly byChoice: Map<string, SectionFigures>;
}
const kept = new WeakMap<Section, Kept>();
const KEPT_CHOICES = 64;

/**
 * Figures of a section under the given choices. A section that did not change (same object) with choices seen before is
 * not computed again.
 */
export function sectionFigures(section: Section, choices: Choices, pricing: Pricing): SectionFigures {
  let memory = kept.get(section);
  if (memory?.pricing !== pricing) {
    memory = { pricing, byChoice: new Map() };
    kept.set(section, memory);
  }
  const key = choiceKey(section, choices);
  let figures = memory.byChoice.get(key);
  if (!figures) {
    figures = compute(section, choices, pricing);
    if (memory.byChoice.size >= KEPT_CHOICES) memory.byChoice.clear();
    memory.byChoice.set(key, figures);
  }
  return figures;
}
