import type { Transaction } from '../connection';
import { lineStage } from '../schema';
import { and, eq, inArray } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertLineStage(
  tx: Transaction,
  rows: typeof lineStage.$inferInsert | readonly (typeof lineStage.$inferInsert)[],
): Promise<void> {
  await tx.insert(lineStage).values([rows].flat());
}

/** Takes lines out of their stages. */
export const deleteStagesOfLines = async (tx: Transaction, agreementId: string, lineIds: string[]) =>
  tx.delete(lineStage).where(and(eq(lineStage.agreementId, agreementId), inArray(lineStage.lineId, lineIds)));
