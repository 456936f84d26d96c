import type { Transaction } from '../connection';
import { costEntry, costInvoice, user } from '../schema';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';

/** Rows by their idempotency key. */
export const costEntryByIdempotencyKey = async (
  tx: Transaction,
  idempotencyKey: string,
): Promise<(typeof costEntry.$inferSelect)[]> =>
  tx.select().from(costEntry).where(eq(costEntry.idempotencyKey, idempotencyKey));

/** Stores one or several rows. */
export async function insertCostEntry(
  tx: Transaction,
  rows: typeof costEntry.$inferInsert | readonly (typeof costEntry.$inferInsert)[],
): Promise<void> {
  await tx.insert(costEntry).values([rows].flat());
}

/** One row by its id, or none. */
export const costEntryById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof costEntry.$inferSelect)[]> => tx.select().from(costEntry).where(eq(costEntry.id, id));

/** Which of some costs are recorded already, by the keys they were sent with. */
export const findKnownKeys = async (tx: Transaction, keys: readonly string[]) =>
  tx
    .select({ key: costEntry.idempotencyKey })
    .from(costEntry)
    .where(inArray(costEntry.idempotencyKey, [...keys]));

/** The costs of an agreement with who recorded them and the invoice they are billed with, by day. */
export const findCostsOfAgreement = async (tx: Transaction, agreementId: string) =>
  tx
    .select({ entry: costEntry, by: user.name, invoiceId: costInvoice.invoiceId })
    .from(costEntry)
    .innerJoin(user, and(eq(user.companyId, costEntry.companyId), eq(user.id, costEntry.recordedBy)))
    .leftJoin(
      costInvoice,
      and(eq(costInvoice.companyId, costEntry.companyId), eq(costInvoice.costId, costEntry.id)),
    )
    .where(eq(costEntry.agreementId, agreementId))
    .orderBy(
      asc(costEntry.spentOn),
      asc(costEntry.recordedAt),
      sql`${costEntry.takesBack} is not null`,
      asc(costEntry.id),
    );

/** The entry that takes a cost back. */
export const findTakingBack = async (tx: Transaction, costId: string) =>
  tx.select({ id: costEntry.id }).from(costEntry).where(eq(costEntry.takesBack, costId));

/** The costs of some agreements. */
export const findCostsOfAgreements = async (tx: Transaction, ids: string[]) =>
  tx.select().from(costEntry).where(inArray(costEntry.agreementId, ids));
