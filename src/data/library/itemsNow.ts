import { inArray } from 'drizzle-orm';
import { copiedItems, pricedItem } from '@/core/editing';
import type { PricedItem, ProposalDocument } from '@/model';
import { isId } from '@/model';
import type { Transaction } from '../connection';
import { item } from '../schema';
import { itemOf } from './rows';

/** The library's items that a document has copies of, as they are now. */
export async function itemsNow(
  tx: Transaction,
  document: ProposalDocument,
): Promise<Map<string, PricedItem>> {
  const ids = new Set<string>();
  for (const { itemId } of copiedItems(document)) if (isId(itemId)) ids.add(itemId);
  if (ids.size === 0) return new Map();
  const rows = await tx
    .select()
    .from(item)
    .where(inArray(item.id, [...ids]));
  return new Map(rows.map((row) => [row.id, pricedItem(itemOf(row))]));
}
