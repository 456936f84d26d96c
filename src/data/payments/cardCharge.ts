import type { Transaction } from '../connection';
import { agreementOf } from '../joins';
import { agreement, cardCharge, invoice } from '../schema';
import { and, desc, eq } from 'drizzle-orm';

/** Rows by their idempotency key. */
export const cardChargeByIdempotencyKey = async (
  tx: Transaction,
  idempotencyKey: string,
): Promise<(typeof cardCharge.$inferSelect)[]> =>
  tx.select().from(cardCharge).where(eq(cardCharge.idempotencyKey, idempotencyKey));

/** Stores one or several rows. */
export async function insertCardCharge(
  tx: Transaction,
  rows: typeof cardCharge.$inferInsert | readonly (typeof cardCharge.$inferInsert)[],
): Promise<void> {
  await tx.insert(cardCharge).values([rows].flat());
}

/** Charges on cards with the invoice they pay and its currency. */
const charges = (tx: Transaction) =>
  tx
    .select({ charge: cardCharge, invoiceNumber: invoice.label, currency: agreement.currency })
    .from(cardCharge)
    .innerJoin(
      invoice,
      and(eq(invoice.companyId, cardCharge.companyId), eq(invoice.id, cardCharge.invoiceId)),
    )
    .innerJoin(agreement, agreementOf(invoice));

/** A charge with the invoice it pays. */
export const findCharge = async (tx: Transaction, id: string) => charges(tx).where(eq(cardCharge.id, id));

/** The newest charges, each with the invoice it pays. */
export const findNewestCharges = async (tx: Transaction, most: number) =>
  charges(tx).orderBy(desc(cardCharge.at), desc(cardCharge.id)).limit(most);

/** The charge that was asked for under a key, on an invoice of an agreement. */
export const findChargeUnderKey = async (tx: Transaction, key: string, agreementId: string) =>
  tx
    .select({ charge: cardCharge })
    .from(cardCharge)
    .innerJoin(
      invoice,
      and(eq(invoice.companyId, cardCharge.companyId), eq(invoice.id, cardCharge.invoiceId)),
    )
    .where(and(eq(cardCharge.idempotencyKey, key), eq(invoice.agreementId, agreementId)));
