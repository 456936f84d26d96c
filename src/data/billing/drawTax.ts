import type { Transaction } from '../connection';
import { drawTax } from '../schema';

/** Stores one or several rows. */
export async function insertDrawTax(
  tx: Transaction,
  rows: typeof drawTax.$inferInsert | readonly (typeof drawTax.$inferInsert)[],
): Promise<void> {
  await tx.insert(drawTax).values([rows].flat());
}
