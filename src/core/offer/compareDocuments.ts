import type { ProposalDocument } from '@/model';
import { asSuggested, unitName } from '@/model';
import type { Fixed } from '../number';
import { moneyOf, writeFixed, writeFixedPlaces } from '../number';
import type { Figures, SectionLine } from '../price';
import { computeFigures } from '../price';
import type { Change } from './compare';
import { changesRead } from './customerView';

/** The figures of a line in one state; decimals as text. For us: cost is among them. */
export interface LineState {
  readonly quantity: string;
  readonly unit: string;
  readonly unitPrice: string;
  readonly cost: string;
  readonly amount: string;
  /** The choices take it in, as suggested. */
  readonly in: boolean;
}

export interface LineChange {
  readonly section: string;
  readonly name: string;
  readonly before: LineState | null;
  readonly after: LineState | null;
  /** What it adds to the price before tax, as suggested. */
  readonly difference: string;
}

export interface DocumentChanges {
  readonly lines: readonly LineChange[];
  /** Sums before and after, in the order of how they are reckoned. */
  readonly sums: readonly { readonly name: string; readonly before: string; readonly after: string }[];
  /** Everything else that the customer reads differently. */
  readonly words: readonly Change[];
}

/** Sums that are made of cost. */
const OF_COST: ReadonlySet<string> = new Set(['Cost', 'Profit and overhead', 'Margin, %']);

interface Placed {
  readonly line: SectionLine;
  readonly section: string;
}

function linesById(figures: Figures): Map<string, Placed> {
  return new Map(
    figures.sections.flatMap(({ section, lines }) =>
      lines.map((line) => {
        // Parts of a bundle carry the bundle's id in theirs, so no two are alike.
        return [line.line.id, { line, section: section.title }] as const;
      }),
    ),
  );
}

/**
 * What changed from one state of a proposal to another, line by line and in money.write, for us: what a line costs is among it.
 * As suggested in both.
 */
export function compareDocuments(before: ProposalDocument, after: ProposalDocument): DocumentChanges {
  const [old, now] = [computeFigures(before, asSuggested), computeFigures(after, asSuggested)];
  const digits = now.minorDigits;
  const money = moneyOf(digits);
  const state = ({ line }: Placed): LineState => ({
    quantity: writeFixed(line.quantity),
    unit: unitName(line.line.unit),
    unitPrice: writeFixed(line.unitPrice),
    cost: money.write(line.costAmount),
    amount: money.write(line.net),
    in: line.included,
  });
  const counted = (placed: Placed | undefined) => (placed?.line.included ? placed.line.netOfSection : 0n);
  const [oldLines, nowLines] = [linesById(old), linesById(now)];
  const ids = [...new Set([...nowLines.keys(), ...oldLines.keys()])];
  const lines = ids.flatMap((id): LineChange[] => {
    const [was, is] = [oldLines.get(id), nowLines.get(id)];
    const [from, to] = [was ? state(was) : null, is ? state(is) : null];
    const name = (is ?? was)!.line.line.description;
    if (from && to && JSON.stringify(from) === JSON.stringify(to) && was!.line.line.description === name)
      return [];
    return [
      {
        section: (is ?? was)!.section,
        name,
        before: from,
        after: to,
        difference: money.write(counted(is) - counted(was)),
      },
    ];
  });

  const rate = (value: Fixed | null) => (value === null ? '' : writeFixedPlaces((value * 100n) as Fixed, 1));
  // Without their costs, documents say nothing of cost, profit or margin.
  const costs = after.pricedAt === undefined;
  const all: [string, string, string][] = [
    ['Cost', money.write(old.cost), money.write(now.cost)],
    ['Price before tax', money.write(old.beforeTax), money.write(now.beforeTax)],
    ['Profit and overhead', money.write(old.profit), money.write(now.profit)],
    ['Margin, %', rate(old.margin), rate(now.margin)],
    ['Tax', money.write(old.taxTotal), money.write(now.taxTotal)],
    ['Total', money.write(old.total), money.write(now.total)],
  ];
  const pairs = all.filter(([name]) => costs || !OF_COST.has(name));
  const named = new Set(lines.map(({ name }) => name));
  return {
    lines,
    sums: pairs.map(([name, was, is]) => ({ name, before: was, after: is })),
    words: changesRead(
      { document: before, choices: asSuggested },
      { document: after, choices: asSuggested },
    ).filter(({ what }) => what !== 'Total' && !named.has(what)),
  };
}
