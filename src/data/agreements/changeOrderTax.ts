import type { Transaction } from '../connection';
import { changeOrderTax } from '../schema';

/** Stores one or several rows. */
export async function insertChangeOrderTax(
  tx: Transaction,
  rows: typeof changeOrderTax.$inferInsert | readonly (typeof changeOrderTax.$inferInsert)[],
): Promise<void> {
  await tx.insert(changeOrderTax).values([rows].flat());
}
