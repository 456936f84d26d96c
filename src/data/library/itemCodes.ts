import { inArray } from 'drizzle-orm';
import { isId } from '@/model';
import type { Transaction } from '../connection';
import { bundle, item } from '../schema';

/** What the library calls some items, by their ids; what is no item of it is left out. */
export async function findItemCodes(
  tx: Transaction,
  itemIds: readonly (string | null)[],
): Promise<ReadonlyMap<string, string>> {
  const ids = [...new Set(itemIds.filter(isId))];
  if (ids.length === 0) return new Map();
  const rows = await tx.select({ id: item.id, code: item.code }).from(item).where(inArray(item.id, ids));
  return new Map(rows.map(({ id, code }) => [id, code]));
}

/** The codes of all items and bundles of the library, with whose they are; those out of use as well. */
export const findCodes = async (tx: Transaction): Promise<readonly { code: string; id: string }[]> => [
  ...(await tx.select({ code: item.code, id: item.id }).from(item)),
  ...(await tx.select({ code: bundle.code, id: bundle.id }).from(bundle)),
];
