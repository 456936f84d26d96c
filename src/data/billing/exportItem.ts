import type { Transaction } from '../connection';
import { exportBatch, exportItem } from '../schema';
import { and, asc, eq, lt, sql } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertExportItem(
  tx: Transaction,
  rows: typeof exportItem.$inferInsert | readonly (typeof exportItem.$inferInsert)[],
): Promise<void> {
  await tx.insert(exportItem).values([rows].flat());
}

/** How many things are in the batches before one. */
export const countItemsBefore = async (tx: Transaction, number: number) =>
  tx
    .select({ count: sql<number>`count(*)::int` })
    .from(exportItem)
    .innerJoin(
      exportBatch,
      and(eq(exportBatch.companyId, exportItem.companyId), eq(exportBatch.id, exportItem.batchId)),
    )
    .where(lt(exportBatch.number, number));

/** What is in a batch. */
export const findItemsOfBatch = async (tx: Transaction, batchId: string) =>
  tx.select().from(exportItem).where(eq(exportItem.batchId, batchId)).orderBy(asc(exportItem.subject));
