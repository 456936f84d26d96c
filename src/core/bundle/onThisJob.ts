import type { Line, PartChange, PricedItem } from '@/model';

/** What of an item may be said otherwise on one job. */
export const jobFields = ['costs', 'loads', 'markups', 'taxClass', 'costCode'] as const;
export type JobField = (typeof jobFields)[number];

/** What stands in the place of what the item has; null: nothing of the kind. */
export type JobValues = { readonly [Field in JobField]?: PricedItem[Field] | null };

/** The line as the library has it: what was said otherwise for this job taken back. The same object where nothing was. */
export function asInLibrary(line: Line): Line {
  if (!line.fromLibrary) return line;
  const { fromLibrary, ...own } = line;
  return putJobValues(own, fromLibrary);
}

/** An item with values in the place of its own. */
export function putJobValues<Item extends PricedItem>(
  item: Item,
  values: JobValues | NonNullable<Line['fromLibrary']> | PartChange,
): Item {
  const next: Record<string, unknown> = { ...item };
  for (const field of jobFields) {
    const value = values[field];
    if (value === undefined) continue;
    if (value === null) delete next[field];
    else next[field] = value;
  }
  return next as unknown as Item;
}
