import type { Transaction } from '../connection';
import { agreement, changeOrder, revision, signing } from '../schema';
import { and, eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertChangeOrder(
  tx: Transaction,
  rows: typeof changeOrder.$inferInsert | readonly (typeof changeOrder.$inferInsert)[],
): Promise<void> {
  await tx.insert(changeOrder).values([rows].flat());
}

/** Rows by their proposal. */
export const changeOrderByProposalId = async (
  tx: Transaction,
  proposalId: string,
): Promise<(typeof changeOrder.$inferSelect)[]> =>
  tx.select().from(changeOrder).where(eq(changeOrder.proposalId, proposalId));

/** The change order a proposal became, with who signed it and when. */
export const findSignedChange = async (tx: Transaction, id: string) =>
  tx
    .select({ change: changeOrder, signer: signing.signerName, at: signing.signedAt })
    .from(changeOrder)
    .innerJoin(
      signing,
      and(eq(signing.companyId, changeOrder.companyId), eq(signing.subject, changeOrder.id)),
    )
    .where(eq(changeOrder.proposalId, id));

/** What was signed with a change order, and its seal. */
export const findTextOfChange = async (tx: Transaction, subject: string) =>
  tx
    .select({ canonical: revision.canonical, sha256: revision.sha256 })
    .from(changeOrder)
    .innerJoin(revision, eq(revision.id, changeOrder.revisionId))
    .where(eq(changeOrder.id, subject));

/** The agreement a change order belongs to, by its proposal. */
export const findAgreementOfChange = async (tx: Transaction, proposalId: string) =>
  tx
    .select({ agreement })
    .from(changeOrder)
    .innerJoin(agreement, eq(agreement.id, changeOrder.agreementId))
    .where(eq(changeOrder.proposalId, proposalId));
