import { createHash } from 'node:crypto';
import canonicalize from 'canonicalize';
import type { LibraryEntry } from '@/core/importing';
import { changedEntry } from '@/core/importing';
import type { Transaction } from '@/data/connection';
import { lockBundlesByIds, updateBundle } from '@/data/library/bundle';
import { lockItemsByIds, updateItem } from '@/data/library/item';
import { bundleOf } from '@/data/library/rows';
import { searchText } from '@/data/library/search';
import type { bundle, item } from '@/data/schema';
import type { SeveralChange, SeveralField } from '@/model';
import { BundleInLibrary, ItemInput } from '@/model';
import type { Actor } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';
import { wordsOf } from './bundles';
import { inputOf, noteCost, stored } from './items';
import { makeupOf } from './makeup';

/* Entries of the library, items and bundles alike, as a change of several finds and stores them. */

export type ItemRow = typeof item.$inferSelect;
type BundleRow = typeof bundle.$inferSelect;
export type Row = { readonly entry: LibraryEntry; readonly id: string } & (
  { readonly kind: 'item'; readonly row: ItemRow } | { readonly kind: 'bundle'; readonly row: BundleRow }
);

export const ofItem = (row: ItemRow): Row => ({
  kind: 'item',
  id: row.id,
  row,
  entry: { kind: 'item', ...inputOf(row) },
});

function ofBundle(row: BundleRow): Row {
  const { id, recipe: _, edition: __, ...rest } = bundleOf(row);
  return { kind: 'bundle', id, row, entry: { kind: 'bundle', ...rest } };
}

/** The entries, in the order of their codes. */
export async function entriesOf(tx: Transaction, ids: string[]): Promise<Row[]> {
  if (ids.length === 0) return [];
  const rows = [
    ...(await lockItemsByIds(tx, ids)).map(ofItem),
    ...(await lockBundlesByIds(tx, ids)).map(ofBundle),
  ];
  return rows.sort((a, b) => (a.entry.code < b.entry.code ? -1 : 1));
}

/** Why an entry could not be stored so; null where it can. */
function whyNot({ row }: Row, after: LibraryEntry): string | null {
  const { kind: _, ...input } = after;
  try {
    if (after.kind === 'item') check(ItemInput, input, 'The item');
    else check(BundleInLibrary, { ...input, recipe: (row as BundleRow).recipe }, 'The bundle');
    return null;
  } catch (error) {
    if (error instanceof Problem) return error.details.errors?.[0]?.detail ?? error.details.detail;
    throw error;
  }
}

export interface Changed {
  readonly from: Row;
  readonly after: LibraryEntry;
  readonly trouble: string | null;
}

export function changes(rows: readonly Row[], change: SeveralChange): Changed[] {
  return rows.flatMap((from) => {
    const after = changedEntry(from.entry, change);
    return after === from.entry ? [] : [{ from, after, trouble: whyNot(from, after) }];
  });
}

export const fieldOf = (entry: LibraryEntry, field: SeveralField): unknown =>
  (entry as Partial<Record<SeveralField, unknown>>)[field] ?? null;

/** What was looked at, in short: another state of it has another. */
export const seenOf = (changed: readonly Changed[], field: SeveralField): string =>
  createHash('sha256')
    .update(
      canonicalize(
        changed.map(({ from, after }) => [from.id, fieldOf(from.entry, field), fieldOf(after, field)]),
      )!,
    )
    .digest('hex');

/** Stores one entry as it is after a change; what an item cost before is kept. */
export async function put(
  tx: Transaction,
  actor: Actor,
  from: Row,
  after: LibraryEntry,
  why: string,
): Promise<void> {
  if (from.kind === 'item' && after.kind === 'item') {
    const { kind: _, ...input } = after;
    await updateItem(tx, from.id, stored(input));
    await noteCost(tx, actor, from.id, from.row.costs, input.costs, why);
  } else if (from.kind === 'bundle' && after.kind === 'bundle') {
    const { kind: _, ...input } = after;
    const makeup = await makeupOf(tx, from.row.recipe, from.id);
    await updateBundle(tx, from.id, {
      ...input,
      picture: input.picture ?? null,
      // Who has it open to change it hears of this.
      edition: from.row.edition + 1,
      updatedAt: actor.now,
      searchText: searchText(input, wordsOf(makeup)),
    });
  }
}
