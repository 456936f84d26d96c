import type { Transaction } from '../connection';
import { costEntry, costInvoice } from '../schema';
import { and, asc, eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertCostInvoice(
  tx: Transaction,
  rows: typeof costInvoice.$inferInsert | readonly (typeof costInvoice.$inferInsert)[],
): Promise<void> {
  await tx.insert(costInvoice).values([rows].flat());
}

/** Deletes the rows of one cost. */
export async function deleteCostInvoiceByCostId(tx: Transaction, costId: string): Promise<void> {
  await tx.delete(costInvoice).where(eq(costInvoice.costId, costId));
}

/** The costs that are billed with an invoice, by day. */
export const findCostsOfInvoice = async (tx: Transaction, invoiceId: string) =>
  tx
    .select({
      id: costEntry.id,
      what: costEntry.what,
      supplier: costEntry.supplier,
      spentOn: costEntry.spentOn,
      amount: costEntry.amount,
    })
    .from(costInvoice)
    .innerJoin(
      costEntry,
      and(eq(costEntry.companyId, costInvoice.companyId), eq(costEntry.id, costInvoice.costId)),
    )
    .where(eq(costInvoice.invoiceId, invoiceId))
    .orderBy(asc(costEntry.spentOn), asc(costEntry.id));
