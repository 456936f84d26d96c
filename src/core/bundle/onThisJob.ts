import type { PartChange, PricedItem } from '@/model';

/** What of an item may be said otherwise on one job. */
export const jobFields = ['costs', 'loads', 'markups', 'taxClass', 'costCode'] as const;
export type JobField = (typeof jobFields)[number];

/** What stands in the place of what the item has; null: nothing of the kind. */
export type JobValues = { readonly [Field in JobField]?: PricedItem[Field] | null };

/** An item with values in the place of its own. */
export function putJobValues<Item extends PricedItem>(item: Item, values: PartChange): Item {
  const next: Record<string, unknown> = { ...item };
  for (const field of jobFields) {
    const value = values[field];
    if (value === undefined) continue;
    if (value === null) delete next[field];
    else next[field] = value;
  }
  return next as unknown as Item;
}
