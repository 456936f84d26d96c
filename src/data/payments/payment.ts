import type { Transaction } from '../connection';
import { payment } from '../schema';
import type { Amount } from '@/core/number';
import { writeAmount } from '@/core/number';
import { and, asc, eq } from 'drizzle-orm';

/** Rows by their agreement. */
export const paymentByAgreementId = async (
  tx: Transaction,
  agreementId: string,
): Promise<(typeof payment.$inferSelect)[]> =>
  tx.select().from(payment).where(eq(payment.agreementId, agreementId));

/** Stores one or several rows. */
export async function insertPaymentRow(
  tx: Transaction,
  rows: typeof payment.$inferInsert | readonly (typeof payment.$inferInsert)[],
): Promise<void> {
  await tx.insert(payment).values([rows].flat());
}

/** Rows by their idempotency key. */
export const paymentByIdempotencyKey = async (
  tx: Transaction,
  idempotencyKey: string,
): Promise<(typeof payment.$inferSelect)[]> =>
  tx.select().from(payment).where(eq(payment.idempotencyKey, idempotencyKey));

/** One row by its id, or none. */
export const paymentById = async (tx: Transaction, id: string): Promise<(typeof payment.$inferSelect)[]> =>
  tx.select().from(payment).where(eq(payment.id, id));

/** The payments on an agreement, in the order they were recorded. */
export const findPaymentsOfAgreement = async (tx: Transaction, agreementId: string) =>
  tx.select().from(payment).where(eq(payment.agreementId, agreementId)).orderBy(asc(payment.recordedAt));

/** The payments of a customer, as they were recorded. */
export const findPaymentsOfCustomer = async (tx: Transaction, customerId: string) =>
  tx.select().from(payment).where(eq(payment.customerId, customerId)).orderBy(asc(payment.recordedAt));

/** The payment that was sent with a key. */
export const findPaymentByKey = async (tx: Transaction, companyId: string, idempotencyKey: string) =>
  tx
    .select({ id: payment.id })
    .from(payment)
    .where(and(eq(payment.companyId, companyId), eq(payment.idempotencyKey, idempotencyKey)));

/** Payments on an agreement of the same day, amount and reference. */
export const findAlikePayments = async (
  tx: Transaction,
  id: string,
  given: { readonly receivedOn: string; readonly amount: Amount; readonly reference: string },
  digits: number,
) =>
  tx
    .select({ at: payment.recordedAt })
    .from(payment)
    .where(
      and(
        eq(payment.agreementId, id),
        eq(payment.receivedOn, given.receivedOn),
        eq(payment.amount, writeAmount(given.amount, digits)),
        eq(payment.reference, given.reference),
      ),
    );
