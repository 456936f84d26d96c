import { asc, eq, isNull, or } from 'drizzle-orm';
import type { InvoiceShows } from '@/model';
import type { Transaction } from '../connection';
import { paperLayout } from '../schema';

/** A kept layout of invoices. */
export type PaperLayoutRow = Omit<typeof paperLayout.$inferSelect, 'companyId'>;

/** Those an agreement’s invoices can be laid out by: its own, then those for all, each by name. */
export const findLayoutsFor = async (tx: Transaction, agreementId: string): Promise<PaperLayoutRow[]> =>
  tx
    .select()
    .from(paperLayout)
    .where(or(isNull(paperLayout.agreementId), eq(paperLayout.agreementId, agreementId)))
    .orderBy(asc(paperLayout.agreementId), asc(paperLayout.name));

/** What invoices begin with; null: the company has no usual layout. */
export async function findUsualLayout(tx: Transaction): Promise<InvoiceShows | null> {
  const [row] = await tx
    .select({ shows: paperLayout.shows })
    .from(paperLayout)
    .where(eq(paperLayout.usual, true));
  return row?.shows ?? null;
}

/** One of a name, for all or of one agreement; small letters and large ones are one name. */
export const findLayoutNamed = async (tx: Transaction, name: string, agreementId: string | null) =>
  (
    await tx
      .select()
      .from(paperLayout)
      .where(
        agreementId === null ? isNull(paperLayout.agreementId) : eq(paperLayout.agreementId, agreementId),
      )
  ).find((row) => row.name.toLowerCase() === name.toLowerCase());

/** One layout by its id, or none. */
export const layoutById = async (tx: Transaction, id: string) =>
  tx.select().from(paperLayout).where(eq(paperLayout.id, id));

/** How many layouts there are for all, or of one agreement. */
export const countLayouts = async (tx: Transaction, agreementId: string | null): Promise<number> =>
  tx.$count(
    paperLayout,
    agreementId === null ? isNull(paperLayout.agreementId) : eq(paperLayout.agreementId, agreementId),
  );

/** Stores a layout. */
export const insertLayout = async (tx: Transaction, row: typeof paperLayout.$inferInsert) =>
  tx.insert(paperLayout).values(row);

/** Changes a layout. */
export const updateLayout = async (
  tx: Transaction,
  id: string,
  columns: Partial<typeof paperLayout.$inferInsert>,
) => tx.update(paperLayout).set(columns).where(eq(paperLayout.id, id));

/** Deletes a layout; papers that were laid out by it keep what they show. */
export const deleteLayoutById = async (tx: Transaction, id: string) =>
  tx.delete(paperLayout).where(eq(paperLayout.id, id));

/** No layout is the usual one any more. */
export const clearUsualLayout = async (tx: Transaction) =>
  tx.update(paperLayout).set({ usual: false }).where(eq(paperLayout.usual, true));
