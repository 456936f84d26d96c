import { and, eq } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import { agreement, customer, payment, paymentReversal } from './schema';

/*
 * What belongs together, as conditions to join on: by the company too, so that the keys of the tables serve.
 */

/** The customer of an agreement. */
export const customerOfAgreement = and(
  eq(customer.companyId, agreement.companyId),
  eq(customer.id, agreement.customerId),
);

/** The agreement that a row belongs to. */
export const agreementOf = (row: { readonly companyId: PgColumn; readonly agreementId: PgColumn }) =>
  and(eq(agreement.companyId, row.companyId), eq(agreement.id, row.agreementId));

/** The customer a payment is of. */
export const customerOfPayment = and(
  eq(customer.companyId, payment.companyId),
  eq(customer.id, payment.customerId),
);

/** The payment that did not stay. */
export const reversedPayment = and(
  eq(payment.companyId, paymentReversal.companyId),
  eq(payment.id, paymentReversal.paymentId),
);
