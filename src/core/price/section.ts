import type { Choices, CostType, Line, Section } from '@/model';
import { costTypes } from '@/model';
import { decidedAlternative, decidedQuantity, isIn, linesOf } from '../choice/decided';
import type { Amount, Fixed } from '../number';
import { ZERO, allocate, ratio } from '../number';
import type { LineFigures } from './line';
import { discountOn, lineFigures } from './line';
import type { LoadFactors } from './loads';

export interface SectionLine extends LineFigures {
  /** The choices take the line in; only then does it count. */
  readonly included: boolean;
  /** Net of the line's and the section's discount; zero when not included. */
  readonly netOfSection: Amount;
}

export interface SectionFigures {
  readonly section: Section;
  /** Every line in order, also those that are not taken in. */
  readonly lines: readonly SectionLine[];
  /** Cost of the lines taken in. */
  readonly cost: Amount;
  /** Exact cost of the lines taken in by type, in 10⁻¹² of the currency: loads are a share of this. */
  readonly exactCost: Readonly<Record<CostType, bigint>>;
  /** Lines taken in, at their unit prices. */
  readonly gross: Amount;
  /** Lines taken in, net of their own discounts. */
  readonly amount: Amount;
  readonly discount: Amount;
  readonly net: Amount;
  readonly netByTaxClass: ReadonlyMap<string, Amount>;
  /** (Net − cost) ÷ net, before the discount on the whole; null when there is nothing to divide by. */
  readonly margin: Fixed | null;
}

const deciders = new WeakMap<Section, readonly string[]>();

function decidersOf(section: Section): readonly string[] {
  let ids = deciders.get(section);
  if (!ids) {
    const extras = [...linesOf(section)].filter((line) => line.extra).map((line) => line.id);
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

function* decided(section: Section, choices: Choices): Generator<{ line: Line; included: boolean }> {
  for (const entry of section.entries) {
    if (entry.kind === 'line') {
      yield { line: entry, included: isIn(entry, choices) };
    } else {
      const picked = decidedAlternative(entry, choices);
      for (const alternative of entry.alternatives)
        for (const line of alternative.lines)
          yield { line, included: alternative.id === picked && isIn(line, choices) };
    }
  }
}

function compute(
  section: Section,
  choices: Choices,
  factors: LoadFactors,
  minorDigits: number,
): SectionFigures {
  const lines: { figures: LineFigures; included: boolean }[] = [];
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
  for (const { line, included } of decided(section, choices)) {
    const figures = lineFigures(line, decidedQuantity(line, choices), factors, minorDigits);
    lines.push({ figures, included });
    if (!included) continue;
    cost += figures.costAmount;
    gross += figures.gross;
    amount += figures.net;
    for (const type of costTypes) {
      const part = figures.cost.byType[type];
      if (part !== 0n) exactCost[type] += figures.quantity * part;
    }
  }

  const discount = discountOn(amount as Amount, section.discount, minorDigits);
  const shares =
    discount === 0n
      ? null
      : allocate(
          discount,
          lines.map(({ figures, included }) => (included && figures.net > 0n ? figures.net : 0n)),
        );
  const netByTaxClass = new Map<string, Amount>();
  const withNet = lines.map(({ figures, included }, i): SectionLine => {
    const netOfSection = included ? ((figures.net - (shares?.[i] ?? 0n)) as Amount) : ZERO;
    if (included) {
      const taxClass = figures.line.taxClass;
      netByTaxClass.set(taxClass, ((netByTaxClass.get(taxClass) ?? 0n) + netOfSection) as Amount);
    }
    return { ...figures, included, netOfSection };
  });
  return {
    section,
    lines: withNet,
    cost: cost as Amount,
    exactCost,
    gross: gross as Amount,
    amount: amount as Amount,
    discount,
    net: (amount - discount) as Amount,
    netByTaxClass,
    margin: ratio(amount - discount - cost, amount - discount),
  };
}

interface Kept {
  readonly factors: LoadFactors;
  readonly minorDigits: number;
  readonly byChoice: Map<string, SectionFigures>;
}
const kept = new WeakMap<Section, Kept>();
const KEPT_CHOICES = 64;

/**
 * Figures of a section under the given choices. A section that did not change (same object) with choices seen before is
 * not computed again.
 */
export function sectionFigures(
  section: Section,
  choices: Choices,
  factors: LoadFactors,
  minorDigits: number,
): SectionFigures {
  let memory = kept.get(section);
  if (!memory || memory.factors !== factors || memory.minorDigits !== minorDigits) {
    memory = { factors, minorDigits, byChoice: new Map() };
    kept.set(section, memory);
  }
  const key = choiceKey(section, choices);
  let figures = memory.byChoice.get(key);
  if (!figures) {
    figures = compute(section, choices, factors, minorDigits);
    if (memory.byChoice.size >= KEPT_CHOICES) memory.byChoice.clear();
    memory.byChoice.set(key, figures);
  }
  return figures;
}
