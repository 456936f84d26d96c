import type { Transaction } from '../connection';
import { exportBatch } from '../schema';
import { eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertExportBatch(
  tx: Transaction,
  rows: typeof exportBatch.$inferInsert | readonly (typeof exportBatch.$inferInsert)[],
): Promise<void> {
  await tx.insert(exportBatch).values([rows].flat());
}

/** One row by its id, or none. */
export const exportBatchById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof exportBatch.$inferSelect)[]> =>
  tx.select().from(exportBatch).where(eq(exportBatch.id, id));
