import type { Transaction } from '../connection';
import { reversedPayment } from '../joins';
import { payment, paymentReversal } from '../schema';
import { asc, eq } from 'drizzle-orm';

/** Rows by their payment. */
export const paymentReversalByPaymentId = async (
  tx: Transaction,
  paymentId: string,
): Promise<(typeof paymentReversal.$inferSelect)[]> =>
  tx.select().from(paymentReversal).where(eq(paymentReversal.paymentId, paymentId));

/** Stores one or several rows. */
export async function insertPaymentReversal(
  tx: Transaction,
  rows: typeof paymentReversal.$inferInsert | readonly (typeof paymentReversal.$inferInsert)[],
): Promise<void> {
  await tx.insert(paymentReversal).values([rows].flat());
}

/** Rows by their idempotency key. */
export const paymentReversalByIdempotencyKey = async (
  tx: Transaction,
  idempotencyKey: string,
): Promise<(typeof paymentReversal.$inferSelect)[]> =>
  tx.select().from(paymentReversal).where(eq(paymentReversal.idempotencyKey, idempotencyKey));

/** The payments of a customer that were returned or void, as it was recorded. */
export const findReversalsOfCustomer = async (tx: Transaction, customerId: string) =>
  tx
    .select({ row: paymentReversal })
    .from(paymentReversal)
    .innerJoin(payment, reversedPayment)
    .where(eq(payment.customerId, customerId))
    .orderBy(asc(paymentReversal.recordedAt));

/** The payments on an agreement that were returned or void. */
export async function findReversalsOfAgreement(
  tx: Transaction,
  agreementId: string,
): Promise<(typeof paymentReversal.$inferSelect)[]> {
  const found = await tx
    .select({ row: paymentReversal })
    .from(paymentReversal)
    .innerJoin(payment, reversedPayment)
    .where(eq(payment.agreementId, agreementId));
  return found.map(({ row }) => row);
}
