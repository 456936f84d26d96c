import type { Transaction } from '../connection';
import { agreementOf, customerOfAgreement } from '../joins';
import { agreement, customer, invoice } from '../schema';
import { and, asc, eq, inArray, max } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertInvoice(
  tx: Transaction,
  rows: typeof invoice.$inferInsert | readonly (typeof invoice.$inferInsert)[],
): Promise<void> {
  await tx.insert(invoice).values([rows].flat());
}

/** The agreement of each of some invoices, by series, year and number. */
export const findAgreementsOfInvoices = async (tx: Transaction, ids: readonly string[]) =>
  tx
    .select({ id: invoice.id, agreementId: invoice.agreementId })
    .from(invoice)
    .where(inArray(invoice.id, [...ids]))
    .orderBy(asc(invoice.series), asc(invoice.year), asc(invoice.number));

/** Some invoices with who is reminded of them, the longest due first. */
export const findInvoicesToRemind = async (tx: Transaction, ids: string[]) =>
  tx
    .select({
      id: invoice.id,
      agreementId: invoice.agreementId,
      number: invoice.label,
      issuedOn: invoice.issuedOn,
      dueOn: invoice.dueOn,
      kind: invoice.kind,
      total: invoice.total,
      customer: customer.name,
      payer: {
        id: customer.id,
        name: customer.name,
        contactName: customer.contactName,
        email: customer.email,
      },
    })
    .from(invoice)
    .innerJoin(agreement, agreementOf(invoice))
    .innerJoin(customer, customerOfAgreement)
    .where(inArray(invoice.id, ids))
    .orderBy(invoice.dueOn, invoice.issuedAt);

/** The invoices of a customer with the number of the agreement, as they were issued. */
export const findInvoicesOfCustomer = async (tx: Transaction, customerId: string) =>
  tx
    .select({ row: invoice, number: agreement.number })
    .from(invoice)
    .innerJoin(agreement, agreementOf(invoice))
    .where(eq(agreement.customerId, customerId))
    .orderBy(asc(invoice.issuedAt));

/** The proposal whose agreement an invoice belongs to. */
export const findProposalOfInvoice = async (tx: Transaction, invoiceId: string) =>
  tx
    .select({ proposalId: agreement.proposalId })
    .from(invoice)
    .innerJoin(agreement, eq(agreement.id, invoice.agreementId))
    .where(eq(invoice.id, invoiceId));

/** The agreement an invoice belongs to. */
export const findAgreementOfInvoice = async (tx: Transaction, invoiceId: string) =>
  tx.select({ agreementId: invoice.agreementId }).from(invoice).where(eq(invoice.id, invoiceId));

/** The invoice or credit note of the company with a number as it was printed. */
export const findInvoiceLabelled = async (tx: Transaction, label: string) =>
  tx.select({ id: invoice.id }).from(invoice).where(eq(invoice.label, label)).limit(1);

/** The highest number papers of a kind had, of a year or of all. */
export async function findHighestNumber(
  tx: Transaction,
  series: 'invoice' | 'credit note',
  year: number | null,
): Promise<number> {
  const [row] = await tx
    .select({ highest: max(invoice.number) })
    .from(invoice)
    .where(and(eq(invoice.series, series), year === null ? undefined : eq(invoice.year, year)));
  return row?.highest ?? 0;
}
