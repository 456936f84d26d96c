import type { Transaction } from '../connection';
import { invoiceAdjustmentTax } from '../schema';

/** Stores one or several rows. */
export async function insertInvoiceAdjustmentTax(
  tx: Transaction,
  rows: typeof invoiceAdjustmentTax.$inferInsert | readonly (typeof invoiceAdjustmentTax.$inferInsert)[],
): Promise<void> {
  await tx.insert(invoiceAdjustmentTax).values([rows].flat());
}
