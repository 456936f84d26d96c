import type { CostType, InvoiceShows } from '@/model';
import type { Amount } from '../number';
import { ZERO, subtractAmounts, sumAmounts } from '../number';
import type { Billed, BilledLine } from './billedLines';
import type { Draw } from './draws';
import type { BookedLine } from './journal';
import { itemsOf } from './journal';
import type { WorkFigures } from './progressBilling';
import { workFigures } from './progressBilling';

/* How an invoice is laid out: which rows stand on it and how they are gathered. Sums stay what they are. */

/** The layout of a paper of which nothing else is said. */
export const plainLayout: InvoiceShows = { unbilled: 'hidden', bundles: 'agreed' };

/** Where work stands in an agreement, as groups are named from it. */
export interface WorkPlace {
  readonly section: string;
  readonly stage: string | null;
  /** The number of the change order it came by; null: it was agreed at first. */
  readonly change: number | null;
}

/**
 * The group of a row. A section is of what was agreed at first: change orders stand apart from it, also where a section
 * of theirs is called the same.
 */
export function groupNameOf({ section, stage, change }: WorkPlace, by: 'section' | 'stage'): string {
  if (by === 'stage') return stage ?? 'In no stage';
  return change === null ? section : `${section}, change order ${change}`;
}

/** Money of one line of a paper: agreed, before and with it. */
export const figuresOf = ({ agreed, before, net }: BilledLine): WorkFigures =>
  workFigures(agreed, before, net);

/** The same of an agreed line. */
export const figuresOfBilled = ({ line, before, net }: Billed): WorkFigures =>
  workFigures(line.net, before, net);

const kinds: readonly (CostType | null)[] = ['material', 'labour', 'equipment', 'subcontract', 'other', null];

/**
 * The work of an agreement by kind: what a paper bills of it is what the journal books under each cost type; so is what
 * was billed before. What is left of a line is shared out over its cost types as a paper that billed it would be. So the
 * columns add up, and all is billed at the end.
 * @param before draws of the papers before
 * @param now draws of this paper
 * @returns in a fixed order; null: lines that cost us nothing, or of which it is not known
 */
export function workByKind(
  lines: readonly (BookedLine & { readonly net: Amount })[],
  before: readonly Draw[],
  now: readonly Draw[],
): (WorkFigures & { readonly kind: CostType | null })[] {
  const none = { retainage: [], advance: [], late: ZERO };
  const byKind = (draws: readonly Draw[]): ReadonlyMap<CostType | null, Amount> => {
    const sums = new Map<CostType | null, Amount>();
    for (const { kind, costType, amount } of itemsOf({ ...none, draws }, lines))
      if (kind === 'work') sums.set(costType, ((sums.get(costType) ?? 0n) + amount) as Amount);
    return sums;
  };
  const drawn = new Map<string, Amount[]>();
  for (const { lineId, net } of [...before, ...now]) drawn.set(lineId, [...(drawn.get(lineId) ?? []), net]);
  const left = byKind(
    lines.map(({ id, net }) => ({
      lineId: id,
      net: subtractAmounts(net, sumAmounts(drawn.get(id) ?? [])),
      taxes: [],
    })),
  );
  const [was, is] = [byKind(before), byKind(now)];
  const of = (sums: ReadonlyMap<CostType | null, Amount>, kind: CostType | null) => sums.get(kind) ?? ZERO;
  return kinds
    .map((kind) => ({
      kind,
      ...workFigures(sumAmounts([of(was, kind), of(is, kind), of(left, kind)]), of(was, kind), of(is, kind)),
    }))
    .filter(({ agreed, before: already, now: this_ }) => agreed !== 0n || already !== 0n || this_ !== 0n);
}

/** What a layout says, in one order; what says nothing in particular is left out. */
const saidBy = ({ each = {}, eachBundle = {}, ...whole }: InvoiceShows): string =>
  JSON.stringify(
    [whole, each, eachBundle].map((part) =>
      Object.entries(part)
        .filter(([, value]) => value !== undefined && value !== false)
        .sort(([a], [b]) => (a < b ? -1 : 1)),
    ),
  );

/** Whether two layouts say the same. */
export const sameLayout = (a: InvoiceShows, b: InvoiceShows): boolean => saidBy(a) === saidBy(b);

/**
 * The layout an invoice begins with: as the last one of its agreement was laid out, so that a customer’s papers look
 * alike; where that was nothing in particular, the company’s usual layout.
 * @param papers of the agreement, in the order of their issue
 * @param usual the company’s; null: it has none
 */
export function layoutToBeginWith(
  papers: readonly { readonly kind: string; readonly shows: InvoiceShows }[],
  usual: InvoiceShows | null,
): InvoiceShows {
  const last = papers.findLast(({ kind }) => kind !== 'credit note' && kind !== 'late charge');
  return last && !sameLayout(last.shows, plainLayout) ? last.shows : (usual ?? plainLayout);
}

/** The layout of a note that takes back what a paper billed: like it, and only with what is taken back. */
export function layoutOfNote({ each: _, ...shows }: InvoiceShows): InvoiceShows {
  return { ...shows, unbilled: 'hidden' };
}
