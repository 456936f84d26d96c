import { and, asc, eq, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { cardCharge, payment, paymentReversal, refund } from '../schema';

/** The payments by card on an agreement with their charges, what went back of each, and what was refunded on its card. */
export const findCardPayments = async (tx: Transaction, agreementId: string) =>
  tx
    .select({
      id: payment.id,
      amount: payment.amount,
      receivedOn: payment.receivedOn,
      chargeId: cardCharge.id,
      lastFour: cardCharge.lastFour,
      gone: sql<string>`coalesce((select sum(r.amount) from ${paymentReversal} r
        where r.company_id = ${payment.companyId} and r.payment_id = ${payment.id}), 0)`,
      refunded: sql<string>`coalesce((select sum(b.amount) from ${refund} b
        where b.company_id = ${payment.companyId} and b.payment_id = ${payment.id}), 0)`,
    })
    .from(payment)
    .innerJoin(
      cardCharge,
      and(
        eq(cardCharge.companyId, payment.companyId),
        eq(sql`'card-' || ${cardCharge.idempotencyKey}`, payment.idempotencyKey),
      ),
    )
    .where(and(eq(payment.agreementId, agreementId), eq(payment.method, 'card')))
    .orderBy(asc(payment.recordedAt), asc(payment.id));
