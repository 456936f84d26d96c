import type { InvoiceShows } from '@/model';
import type { Transaction } from '../connection';
import { invoiceDraft } from '../schema';
import { eq, inArray } from 'drizzle-orm';

/** Deletes the rows of one agreement. */
export async function deleteInvoiceDraftByAgreementId(tx: Transaction, agreementId: string): Promise<void> {
  await tx.delete(invoiceDraft).where(eq(invoiceDraft.agreementId, agreementId));
}

/** Rows by their agreement. */
export const invoiceDraftByAgreementId = async (
  tx: Transaction,
  agreementId: string,
): Promise<(typeof invoiceDraft.$inferSelect)[]> =>
  tx.select().from(invoiceDraft).where(eq(invoiceDraft.agreementId, agreementId));

/** Of which of some agreements an invoice is in work. */
export const findDraftsOf = async (tx: Transaction, agreementIds: readonly string[]): Promise<string[]> =>
  agreementIds.length === 0
    ? []
    : (
        await tx
          .select({ id: invoiceDraft.agreementId })
          .from(invoiceDraft)
          .where(inArray(invoiceDraft.agreementId, [...agreementIds]))
      ).map(({ id }) => id);

/** Keeps the draft of an agreement’s next invoice, over the one there is. */
export const putInvoiceDraft = async (
  tx: Transaction,
  actor: { readonly companyId: string },
  agreementId: string,
  values: {
    what:
      | { entryId: string }
      | {
          lines: (
            | { to: { percent: string } | { quantity: string } | { amount: string }; line: string }
            | { to: { percent: string }; section: string }
            | { stage: string; to: { percent: string } }
          )[];
        }
      | { amount: string }
      | { rest: true }
      | { release: string };
    title: string;
    shows: InvoiceShows;
    remark: string;
    savedBy: string;
    savedAt: Date;
  },
) =>
  tx
    .insert(invoiceDraft)
    .values({ companyId: actor.companyId, agreementId, ...values })
    .onConflictDoUpdate({ target: [invoiceDraft.companyId, invoiceDraft.agreementId], set: values });
