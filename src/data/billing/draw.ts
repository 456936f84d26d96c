import type { Transaction } from '../connection';
import { draw } from '../schema';

/** Stores one or several rows. */
export async function insertDraw(
  tx: Transaction,
  rows: typeof draw.$inferInsert | readonly (typeof draw.$inferInsert)[],
): Promise<void> {
  await tx.insert(draw).values([rows].flat());
}
