import type { SQL } from 'drizzle-orm';
import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { InvoiceStanding, IssuedKind, SettledRow } from '@/core/billing';
import { invoiceStanding, settledOf } from '@/core/billing';
import { negateAmount, parseAmount, sumAmounts } from '@/core/number';
import type { Transaction } from '../connection';
import { allocation, invoice } from '../schema';

const note = alias(invoice, 'note');

/** What is on invoices, by where it came from: sums only; what they mean is the core's to say. */
export const settledRows = (
  tx: Transaction,
  where: SQL | undefined,
): Promise<(SettledRow & { readonly agreementId: string })[]> =>
  tx
    .select({
      agreementId: invoice.agreementId,
      id: invoice.id,
      received: sql<string>`coalesce(sum(${allocation.amount}) filter (where ${allocation.paymentId} is not null), 0)`,
      takenBack: sql<string>`coalesce(sum(${allocation.amount}) filter (where ${note.credits} = ${allocation.invoiceId}), 0)`,
      creditApplied: sql<string>`coalesce(sum(${allocation.amount}) filter (where ${note.id} is not null and ${note.credits} is distinct from ${allocation.invoiceId}), 0)`,
    })
    .from(allocation)
    .innerJoin(
      invoice,
      and(eq(invoice.companyId, allocation.companyId), eq(invoice.id, allocation.invoiceId)),
    )
    .leftJoin(note, and(eq(note.companyId, allocation.companyId), eq(note.id, allocation.creditNoteId)))
    .where(where)
    .groupBy(invoice.agreementId, invoice.id);

/** What was paid back to customers out of credit notes, by agreement. */
export const refundedRows = (tx: Transaction, where: SQL | undefined) =>
  tx
    .select({ agreementId: invoice.agreementId, sum: sql<string>`sum(${allocation.amount})` })
    .from(allocation)
    .innerJoin(
      invoice,
      and(eq(invoice.companyId, allocation.companyId), eq(invoice.id, allocation.creditNoteId)),
    )
    .where(and(where, isNotNull(allocation.refundId)))
    .groupBy(invoice.agreementId);

/** Where some papers stand, by their identity. */
export async function standingsByInvoice(
  tx: Transaction,
  papers: readonly { readonly id: string; readonly kind: IssuedKind; readonly total: string }[],
  digits: number,
): Promise<Map<string, InvoiceStanding>> {
  if (papers.length === 0) return new Map();
  const ids = papers.map(({ id }) => id);
  const settled = new Map((await settledRows(tx, inArray(invoice.id, ids))).map((row) => [row.id, row]));
  const notes = await tx
    .select({ credits: invoice.credits, total: invoice.total })
    .from(invoice)
    .where(inArray(invoice.credits, ids));
  return new Map(
    papers.map(({ id, kind, total }) => [
      id,
      invoiceStanding({
        kind,
        total: parseAmount(total, digits),
        settled: settledOf(settled.get(id), digits),
        credited: sumAmounts(
          notes
            .filter(({ credits }) => credits === id)
            .map((row) => negateAmount(parseAmount(row.total, digits))),
        ),
      }),
    ]),
  );
}
