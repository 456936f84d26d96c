import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { agreementOf, customerOfPayment, reversedPayment } from '../joins';
import { agreement, customer, payment, paymentReversal, refund } from '../schema';

/** Payments, those returned or void, and refunds, by their ids, each with customer and number of the agreement. */
export async function findMoneyMoved(
  tx: Transaction,
  of: (kind: 'payment' | 'reversal' | 'refund') => readonly string[],
) {
  const who = { customer: customer.name, agreement: agreement.number };
  const paid = await tx
    .select({ ...who, row: payment })
    .from(payment)
    .innerJoin(agreement, agreementOf(payment))
    .innerJoin(customer, customerOfPayment)
    .where(inArray(payment.id, [...of('payment')]));
  const gone = await tx
    .select({ ...who, row: paymentReversal, method: payment.method })
    .from(paymentReversal)
    .innerJoin(payment, reversedPayment)
    .innerJoin(agreement, agreementOf(payment))
    .innerJoin(customer, customerOfPayment)
    .where(inArray(paymentReversal.id, [...of('reversal')]));
  const back = await tx
    .select({ ...who, row: refund })
    .from(refund)
    .innerJoin(agreement, agreementOf(refund))
    .innerJoin(customer, and(eq(customer.companyId, refund.companyId), eq(customer.id, refund.customerId)))
    .where(inArray(refund.id, [...of('refund')]));
  return { paid, gone, back };
}

/** The numbers of some payments, counted in the order they were recorded. */
export async function findNumbersOfPayments(tx: Transaction, ids: readonly string[]) {
  const numbered = tx
    .select({
      id: payment.id,
      number: sql<number>`(row_number() over (order by ${payment.id}))::int`.as('number'),
    })
    .from(payment)
    .as('numbered');
  return tx
    .select()
    .from(numbered)
    .where(inArray(numbered.id, [...ids]));
}
