import { groupOf } from '@/core/insight';
import { parseFixed, ratio } from '@/core/number';
import type { BundleFigures, SectionLine } from '@/core/price';
import { costInAll, labourHours } from '@/core/price';
import type { ProposalDocument, Section, SectionEntry } from '@/model';
import { unitName } from '@/model';
import type { Column } from './columns';

/** A column a list without sections can be sorted by. */
export type SortBy = Column | 'description' | 'quantity' | 'unit' | 'amount';

/** An order that was asked for: it stands as it was then, so that no row jumps from under the hand that types in it. */
export interface Order {
  readonly by: SortBy;
  readonly descending: boolean;
  /** The entries as they were sorted; what was added since comes after them. */
  readonly ids: readonly string[];
}

interface FiguresById {
  readonly lines: ReadonlyMap<string, SectionLine>;
  readonly bundles: ReadonlyMap<string, BundleFigures>;
}

/** What an entry is sorted by: text, a whole number of smallest units, or nothing where the column is empty. */
function keyOf(entry: SectionEntry, section: Section, by: SortBy, { lines, bundles }: FiguresById) {
  if (by === 'section') return section.title;
  if (by === 'room' || by === 'phase') return groupOf(entry, section, by) || null;
  if (entry.kind === 'question') return by === 'description' ? entry.prompt : null;
  if (by === 'code') return entry.code ?? null;
  if (entry.kind === 'bundle') {
    const figures = bundles.get(entry.id);
    if (!figures) return null;
    if (by === 'description') return figures.sized.name;
    if (by === 'amount') return figures.net;
    if (by === 'cost') return figures.cost;
    if (by === 'hours') return labourHours(figures.lines) || null;
    return by === 'margin' ? ratio(figures.net - figures.cost, figures.net) : null;
  }
  const figures = lines.get(entry.id);
  if (!figures) return null;
  switch (by) {
    case 'description':
      return entry.description;
    case 'unit':
      return unitName(entry.unit);
    case 'costCode':
      return entry.costCode ?? null;
    case 'quantity':
      return figures.quantity;
    case 'expected':
      return entry.expected === undefined ? null : parseFixed(entry.expected);
    case 'hours':
      return labourHours([figures]) || null;
    case 'cost':
      return costInAll(figures);
    case 'price':
      return figures.unitPrice;
    case 'margin':
      return ratio(figures.net - figures.costAmount, figures.net);
    case 'amount':
      return figures.net;
  }
}

type Key = ReturnType<typeof keyOf>;

function compare(a: Key, b: Key): number {
  if (typeof a === 'bigint' && typeof b === 'bigint') return a < b ? -1 : a > b ? 1 : 0;
  return String(a).localeCompare(String(b), 'en-US', { numeric: true, sensitivity: 'base' });
}

const isEmpty = (key: Key) => key === null || key === '';

/**
 * The entries of a proposal by what stands in a column: numbers by size, texts as people sort them, what has nothing there
 * last either way; alike, they stay as they stand in the sections.
 */
export function orderedBy(
  document: ProposalDocument,
  figures: FiguresById,
  by: SortBy,
  descending: boolean,
): Order {
  const keyed = document.sections.flatMap((section) =>
    section.entries.map((entry) => ({ id: entry.id, key: keyOf(entry, section, by, figures) })),
  );
  keyed.sort((a, b) => {
    const empty = Number(isEmpty(a.key)) - Number(isEmpty(b.key));
    if (empty !== 0 || isEmpty(a.key)) return empty;
    return descending ? compare(b.key, a.key) : compare(a.key, b.key);
  });
  return { by, descending, ids: keyed.map(({ id }) => id) };
}
