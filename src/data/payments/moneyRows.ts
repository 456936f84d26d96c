import type { PaymentMethod } from '@/core/text/names';
import { and, desc, eq, gte } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { reversedPayment, customerOfPayment } from '../joins';
import { hasWords } from '../words';
import { isBelowZero, opposite } from '@/core/number';
import { customer, payment, paymentReversal, refund } from '../schema';

/** Money that came in, or (below zero) went out again: payments that did not stay, credit paid back. */
export interface Moved {
  readonly id: string;
  readonly amount: string;
  readonly method: PaymentMethod;
  readonly on: string;
  readonly text: string;
  readonly customer: string;
  readonly agreementId: string;
}

/**
 * What came in and went out again, the newest first: what the sum received since a day is made of.
 *
 * @param since from this day on; null: ever
 * @param search words that customer, reference or reason have
 * @param most at most so many rows
 */
export async function movedRows(
  tx: Transaction,
  { since, search, most }: { since: string | null; search: string; most: number },
): Promise<Moved[]> {
  const came = await tx
    .select({ row: payment, customer: customer.name })
    .from(payment)
    .innerJoin(customer, customerOfPayment)
    .where(
      and(
        since === null ? undefined : gte(payment.receivedOn, since),
        hasWords(search, customer.name, payment.reference),
      ),
    )
    .orderBy(desc(payment.receivedOn), desc(payment.recordedAt), desc(payment.id))
    .limit(most);
  const back = await tx
    .select({ row: paymentReversal, of: payment, customer: customer.name })
    .from(paymentReversal)
    .innerJoin(payment, reversedPayment)
    .innerJoin(customer, customerOfPayment)
    .where(
      and(
        since === null ? undefined : gte(paymentReversal.on, since),
        hasWords(search, customer.name, paymentReversal.reason),
      ),
    )
    .orderBy(desc(paymentReversal.on), desc(paymentReversal.recordedAt), desc(paymentReversal.id))
    .limit(most);
  const refunded = await tx
    .select({ row: refund, customer: customer.name })
    .from(refund)
    .innerJoin(customer, and(eq(customer.companyId, refund.companyId), eq(customer.id, refund.customerId)))
    .where(
      and(
        since === null ? undefined : gte(refund.paidOn, since),
        hasWords(search, customer.name, refund.reference),
      ),
    )
    .orderBy(desc(refund.paidOn), desc(refund.recordedAt), desc(refund.id))
    .limit(most);
  return [
    ...came.map(({ row: { id, amount, method, receivedOn, reference, agreementId }, customer: name }) => ({
      ...{ id, amount, method, on: receivedOn, text: reference, customer: name, agreementId },
    })),
    ...back.map(({ row: { id, amount, kind, reason, on }, of: { method, agreementId }, customer: name }) => ({
      ...{ id, amount: opposite(amount), method, on, customer: name, agreementId },
      text: `${isBelowZero(amount) ? 'reinstated' : kind}: ${reason}`,
    })),
    ...refunded.map(({ row: { id, amount, method, paidOn, reference, agreementId }, customer: name }) => ({
      ...{ id, amount: opposite(amount), method, on: paidOn, customer: name, agreementId },
      text: reference ? `refund: ${reference}` : 'refund',
    })),
  ]
    .sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : a.id < b.id ? 1 : -1))
    .slice(0, most);
}
