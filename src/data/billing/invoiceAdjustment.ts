import type { Transaction } from '../connection';
import { invoiceAdjustment } from '../schema';

/** Stores one or several rows. */
export async function insertInvoiceAdjustment(
  tx: Transaction,
  rows: typeof invoiceAdjustment.$inferInsert | readonly (typeof invoiceAdjustment.$inferInsert)[],
): Promise<void> {
  await tx.insert(invoiceAdjustment).values([rows].flat());
}
