import type { Transaction } from '../connection';
import { allocation, invoice, payment } from '../schema';
import { and, asc, eq, gt, inArray, lte, sql } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertAllocation(
  tx: Transaction,
  rows: typeof allocation.$inferInsert | readonly (typeof allocation.$inferInsert)[],
): Promise<void> {
  await tx.insert(allocation).values([rows].flat());
}

/** The labels of the invoices that payments went to by a moment, oldest first. */
export const findInvoicesPaidBy = async (tx: Transaction, ids: readonly string[], by: Date) =>
  tx
    .select({ id: allocation.paymentId, label: invoice.label })
    .from(allocation)
    .innerJoin(
      invoice,
      and(eq(invoice.companyId, allocation.companyId), eq(invoice.id, allocation.invoiceId)),
    )
    .where(and(inArray(allocation.paymentId, [...ids]), lte(allocation.at, by), gt(allocation.amount, '0')))
    .groupBy(allocation.paymentId, invoice.label, invoice.issuedAt)
    .orderBy(asc(invoice.issuedAt), asc(invoice.label));

/** What was paid on an invoice, and when. */
export const findPaymentsOfInvoice = async (tx: Transaction, invoiceId: string) =>
  tx
    .select({ amount: allocation.amount, at: allocation.at, receivedOn: payment.receivedOn })
    .from(allocation)
    .leftJoin(payment, and(eq(payment.companyId, allocation.companyId), eq(payment.id, allocation.paymentId)))
    .where(eq(allocation.invoiceId, invoiceId))
    .orderBy(asc(allocation.at));

/** The invoices a payment went to, with how much of it. */
export const findInvoicesOfPayment = async (tx: Transaction, paymentId: string) =>
  tx
    .select({ number: invoice.label, title: invoice.title, sum: sql<string>`sum(${allocation.amount})` })
    .from(allocation)
    .innerJoin(
      invoice,
      and(eq(invoice.companyId, allocation.companyId), eq(invoice.id, allocation.invoiceId)),
    )
    .where(eq(allocation.paymentId, paymentId))
    .groupBy(invoice.id, invoice.label, invoice.title, invoice.issuedAt)
    .orderBy(asc(invoice.issuedAt), asc(invoice.label));

/** What a payment was used for: sums by invoice and refund. */
export const findUseOfPayment = async (tx: Transaction, id: string) =>
  tx
    .select({
      invoiceId: allocation.invoiceId,
      refundId: allocation.refundId,
      sum: sql<string>`sum(${allocation.amount})`,
    })
    .from(allocation)
    .where(eq(allocation.paymentId, id))
    .groupBy(allocation.invoiceId, allocation.refundId);

/** What payments on an agreement were used for on its invoices: sums by payment and invoice. */
export const findUseOnInvoices = async (
  tx: Transaction,
  agreementId: string,
  invoiceIds: readonly string[],
) =>
  tx
    .select({
      paymentId: allocation.paymentId,
      invoiceId: allocation.invoiceId,
      sum: sql<string>`sum(${allocation.amount})`,
    })
    .from(allocation)
    .innerJoin(
      payment,
      and(eq(payment.companyId, allocation.companyId), eq(payment.id, allocation.paymentId)),
    )
    .where(and(eq(payment.agreementId, agreementId), inArray(allocation.invoiceId, [...invoiceIds])))
    .groupBy(allocation.paymentId, allocation.invoiceId);
