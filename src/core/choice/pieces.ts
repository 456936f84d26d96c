import type { Bundle, Line, Load, ProposalDocument, Question, Section, Test, LevelChoice } from '@/model';
import type { SizedBundle } from '../bundle';
import { sizeBundle } from '../bundle';
import { writeFixed } from '../number';
import type { LineFigures } from '../price/line';
import { lineFigures } from '../price/line';
import { givenPrice } from '../price/given';
import { pricedLine } from '../price/allowanceLine';
import { followedQuantity } from '../price/follow';
import type { Pricing } from '../price/pricing';
import { pricingOf } from '../price/pricing';
import { bundleLines } from '../price/section';
import type { Surroundings } from '../space';
import { surroundingsIn } from '../space';
import { atGrade, rulingLevels } from '../price/decided';

/** A piece at one grade: what it comes to when its tests hold. */
export interface Variant {
  readonly when: readonly Test[];
  readonly lines: readonly LineFigures[];
  /** The bundle at its grade, and its parts. */
  readonly bundle: { readonly bundle: Bundle; readonly sized: SizedBundle } | null;
}

/** A line or bundle of a proposal, with the conditions under which it is in and what it comes to. */
export interface Piece {
  readonly section: Section;
  readonly entry: Line | Bundle;
  readonly inside: { readonly question: Question; readonly alternative: string } | null;
  /** Holds whatever its grade: its section, its question, its own extra, no level without it. */
  readonly when: readonly Test[];
  /** Exactly one is in when the tests above hold. */
  readonly variants: readonly Variant[];
  /** The line at another quantity, where the customer may set one. */
  readonly at: ((quantity: string) => LineFigures) | null;
}

/** Levels that stand over a part, whole first, its section's last: the order in which they count. */
const levelsOver = (document: ProposalDocument): readonly LevelChoice[] => {
  const all = document.tiers ?? [];
  return [...all.filter(({ section }) => !section), ...all.filter(({ section }) => section)];
};

/** No level is picked that leaves the part out. */
export function withinLevels(document: ProposalDocument, id: string): Test[] {
  return rulingLevels(document.tiers ?? [], id).flatMap((tiers): Test[] => {
    const among = tiers.levels.filter(({ without }) => !without.includes(id)).map((level) => level.id);
    return among.length === tiers.levels.length ? [] : [{ tiers: tiers.id, among }];
  });
}

/** The grades of a bundle, each with the levels at which it stands. */
function gradesOf(
  document: ProposalDocument,
  bundle: Bundle,
): { readonly when: readonly Test[]; readonly grade: string | undefined }[] {
  const mention = levelsOver(document).filter(({ levels }) =>
    levels.some(({ grades }) => grades[bundle.id] !== undefined),
  );
  let found: { when: Test[]; grade: string | undefined }[] = [{ when: [], grade: bundle.grade }];
  for (const { id, levels } of mention)
    found = found.flatMap(({ when, grade }) => {
      const byGrade = new Map<string | undefined, string[]>();
      for (const level of levels) {
        const stands = level.grades[bundle.id] ?? grade;
        byGrade.set(stands, [...(byGrade.get(stands) ?? []), level.id]);
      }
      return [...byGrade].map(([stands, among]) => ({
        when: among.length === levels.length ? when : [...when, { tiers: id, among }],
        grade: stands,
      }));
    });
  return found;
}

function variantsOf(
  document: ProposalDocument,
  entry: Line | Bundle,
  surroundings: Surroundings,
  pricing: Pricing,
  around: readonly Load[] | undefined,
): Variant[] {
  if (entry.kind === 'line') {
    const { quantity } = followedQuantity(entry, surroundings);
    return [
      {
        when: [],
        lines: [
          lineFigures(pricedLine(entry, pricing), quantity, pricing, around, givenPrice(entry, pricing)),
        ],
        bundle: null,
      },
    ];
  }
  return gradesOf(document, entry).map(({ when, grade }) => {
    const bundle = atGrade(entry, grade);
    const sized = sizeBundle(bundle, surroundings);
    return { when, lines: bundleLines(bundle, sized, pricing, around), bundle: { bundle, sized } };
  });
}

/** The parts of a proposal that can be in or out, each by itself, in the order they stand. */
export function* piecesOf(document: ProposalDocument): Generator<Piece> {
  const pricing = pricingOf(document);
  for (const section of document.sections) {
    const around = section.loads;
    const ofSection: Test[] = [
      ...(section.extra ? [{ extra: section.id }] : []),
      ...withinLevels(document, section.id),
    ];
    const piece = (entry: Line | Bundle, inside: Piece['inside'], before: readonly Test[]): Piece => ({
      section,
      entry,
      inside,
      when: [...before, ...withinLevels(document, entry.id), ...(entry.extra ? [{ extra: entry.id }] : [])],
      variants: variantsOf(document, entry, surroundingsIn(pricing, section, entry), pricing, around),
      at:
        entry.kind === 'line' && entry.extra?.quantity
          ? (quantity) => lineFigures(entry, quantity, pricing, around, givenPrice(entry, pricing))
          : null,
    });
    for (const entry of section.entries) {
      if (entry.kind !== 'question') {
        yield piece(entry, null, ofSection);
        continue;
      }
      const asked = [...ofSection, ...withinLevels(document, entry.id)];
      for (const alternative of entry.alternatives)
        for (const inner of alternative.lines)
          yield piece(inner, { question: entry, alternative: alternative.id }, [
            ...asked,
            { question: entry.id, answer: alternative.id },
          ]);
    }
  }
}

/** The offered quantity of a line as text, its formula worked out. */
export const offeredQuantity = (figures: LineFigures): string => writeFixed(figures.quantity);
