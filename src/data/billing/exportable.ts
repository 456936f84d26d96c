import { and, eq, gte, lte, notExists, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import type { Transaction } from '../connection';
import { exportItem, invoice, payment, paymentReversal, refund } from '../schema';

/** What kinds of things go to the accountant. */
export type ExportKind = (typeof exportItem.$inferSelect)['kind'];

/** What can go out, and the day that counts for it. */
const sources = [
  { kind: 'invoice', table: invoice, id: invoice.id, day: invoice.issuedOn },
  { kind: 'payment', table: payment, id: payment.id, day: payment.receivedOn },
  { kind: 'reversal', table: paymentReversal, id: paymentReversal.id, day: paymentReversal.on },
  { kind: 'refund', table: refund, id: refund.id, day: refund.paidOn },
] as const satisfies readonly { kind: ExportKind; table: unknown; id: PgColumn; day: PgColumn }[];

/** The kinds, in the order they are told. */
export const exportKinds: readonly ExportKind[] = sources.map(({ kind }) => kind);

interface Range {
  readonly from: string;
  readonly to: string;
}

/** How many things of a range of days are in a batch already. */
export async function alreadyOut(tx: Transaction, { from, to }: Range): Promise<number> {
  let count = 0;
  for (const { kind, table, id, day } of sources) {
    const [row] = await tx
      .select({ count: sql<number>`count(*)::int` })
      .from(table)
      .innerJoin(
        exportItem,
        and(eq(exportItem.companyId, table.companyId), eq(exportItem.kind, kind), eq(exportItem.subject, id)),
      )
      .where(and(gte(day, from), lte(day, to)));
    count += row!.count;
  }
  return count;
}

/** Of a range of days, what went to the accountant in no batch yet. */
export async function notOut(
  tx: Transaction,
  { from, to }: Range,
): Promise<{ kind: ExportKind; subject: string }[]> {
  const found: { kind: ExportKind; subject: string }[] = [];
  for (const { kind, table, id, day } of sources) {
    const rows = await tx
      .select({ id: sql<string>`${id}` })
      .from(table)
      .where(
        and(
          gte(day, from),
          lte(day, to),
          notExists(
            tx
              .select({ one: sql`1` })
              .from(exportItem)
              .where(
                and(
                  eq(exportItem.companyId, table.companyId),
                  eq(exportItem.kind, kind),
                  eq(exportItem.subject, id),
                ),
              ),
          ),
        ),
      );
    found.push(...rows.map((row) => ({ kind, subject: row.id })));
  }
  return found;
}
