import type { Transaction } from '../connection';
import { itemCost, user } from '../schema';
import { desc, eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertItemCost(
  tx: Transaction,
  rows: typeof itemCost.$inferInsert | readonly (typeof itemCost.$inferInsert)[],
): Promise<void> {
  await tx.insert(itemCost).values([rows].flat());
}

/** What an item cost until when, the newest first. */
export const findCostsOverTime = async (tx: Transaction, itemId: string, most: number) =>
  tx
    .select({
      id: itemCost.id,
      at: itemCost.at,
      why: itemCost.why,
      by: user.name,
      before: itemCost.unitBefore,
      after: itemCost.unitAfter,
    })
    .from(itemCost)
    .leftJoin(user, eq(user.id, itemCost.userId))
    .where(eq(itemCost.itemId, itemId))
    .orderBy(desc(itemCost.at))
    .limit(most);
