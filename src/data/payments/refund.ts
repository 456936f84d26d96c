import type { Transaction } from '../connection';
import { refund } from '../schema';
import { asc, eq } from 'drizzle-orm';

/** Rows by their agreement. */
export const refundByAgreementId = async (
  tx: Transaction,
  agreementId: string,
): Promise<(typeof refund.$inferSelect)[]> =>
  tx.select().from(refund).where(eq(refund.agreementId, agreementId));

/** Rows by their idempotency key. */
export const refundByIdempotencyKey = async (
  tx: Transaction,
  idempotencyKey: string,
): Promise<(typeof refund.$inferSelect)[]> =>
  tx.select().from(refund).where(eq(refund.idempotencyKey, idempotencyKey));

/** Stores one or several rows. */
export async function insertRefund(
  tx: Transaction,
  rows: typeof refund.$inferInsert | readonly (typeof refund.$inferInsert)[],
): Promise<void> {
  await tx.insert(refund).values([rows].flat());
}

/** The refunds on an agreement, in the order they were recorded. */
export const findRefundsOfAgreement = async (tx: Transaction, agreementId: string) =>
  tx.select().from(refund).where(eq(refund.agreementId, agreementId)).orderBy(asc(refund.recordedAt));

/** The refunds to a customer, as they were recorded. */
export const findRefundsOfCustomer = async (tx: Transaction, customerId: string) =>
  tx.select().from(refund).where(eq(refund.customerId, customerId)).orderBy(asc(refund.recordedAt));
