import type { Transaction } from '../connection';
import { agreementOf } from '../joins';
import { agreement, proposal, user } from '../schema';
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';

/** Changes columns of one row. */
export async function updateProposal(
  tx: Transaction,
  id: string,
  columns: Partial<typeof proposal.$inferInsert>,
): Promise<void> {
  await tx.update(proposal).set(columns).where(eq(proposal.id, id));
}

/** One row by its id, or none. */
export const proposalById = async (tx: Transaction, id: string): Promise<(typeof proposal.$inferSelect)[]> =>
  tx.select().from(proposal).where(eq(proposal.id, id));

/** One row by its id, or none; held until the transaction ends. */
export const lockProposalById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof proposal.$inferSelect)[]> =>
  tx.select().from(proposal).where(eq(proposal.id, id)).for('update');

/** Stores one or several rows. */
export async function insertProposalRow(
  tx: Transaction,
  rows: typeof proposal.$inferInsert | readonly (typeof proposal.$inferInsert)[],
): Promise<void> {
  await tx.insert(proposal).values([rows].flat());
}

/** Holds a proposal until the transaction ends, without reading it. */
export const lockProposal = async (tx: Transaction, proposalId: string) =>
  tx.select({ id: proposal.id }).from(proposal).where(eq(proposal.id, proposalId)).for('update');

/** A change order of the agreement that a customer’s proposal became. */
export const findChangeOfVisitor = async (tx: Transaction, id: string, proposalId: string) =>
  tx
    .select({ id: proposal.id, sent: proposal.sentSaveNumber })
    .from(proposal)
    .innerJoin(agreement, agreementOf(proposal))
    .where(and(eq(proposal.id, id), eq(agreement.proposalId, proposalId)));

/** Who asked, and about what. */
export const findAsker = async (tx: Transaction, proposalId: string) =>
  tx
    .select({
      title: proposal.title,
      customerId: proposal.customerId,
    })
    .from(proposal)
    .where(eq(proposal.id, proposalId));

/** How many proposals some customers have; change orders do not count. */
export const countProposals = async (tx: Transaction, ids: string[]) =>
  tx
    .select({ id: proposal.customerId, count: sql<number>`count(*)::int` })
    .from(proposal)
    .where(and(inArray(proposal.customerId, ids), isNull(proposal.agreementId)))
    .groupBy(proposal.customerId);

/** The proposals of a customer, the last changed first. */
export const findProposalsOf = async (tx: Transaction, customerId: string) =>
  tx
    .select({
      id: proposal.id,
      number: proposal.number,
      title: proposal.title,
      state: proposal.state,
      total: proposal.total,
      updatedAt: proposal.updatedAt,
      document: proposal.document,
    })
    .from(proposal)
    .where(and(eq(proposal.customerId, customerId), isNull(proposal.agreementId)))
    .orderBy(desc(proposal.updatedAt));

/** Drafts with their documents, the last changed first. */
export const findDrafts = async (tx: Transaction, most: number) =>
  tx
    .select({ id: proposal.id, number: proposal.number, document: proposal.document })
    .from(proposal)
    .where(inArray(proposal.state, ['draft']))
    .orderBy(desc(proposal.updatedAt))
    .limit(most);

/** Drafts whose document names something of the library by its id, those changed last first; of all, or among some. */
export const findDraftsNaming = async (
  tx: Transaction,
  id: string,
  most: number,
  among?: readonly string[],
) =>
  tx
    .select({ id: proposal.id, number: proposal.number, document: proposal.document })
    .from(proposal)
    .where(
      and(
        inArray(proposal.state, ['draft']),
        among === undefined ? undefined : inArray(proposal.id, [...among]),
        sql`position(${id} in ${proposal.document}::text) > 0`,
      ),
    )
    .orderBy(desc(proposal.updatedAt), desc(proposal.id))
    .limit(most);

/** Document and site of a proposal. */
export const findDocumentAndSite = async (tx: Transaction, id: string) =>
  tx
    .select({ document: proposal.document, siteId: proposal.siteId })
    .from(proposal)
    .where(eq(proposal.id, id));

/** State and seller of some proposals. */
export const findStates = async (tx: Transaction, ids: string[]) =>
  tx
    .select({ id: proposal.id, state: proposal.state, seller: user.name })
    .from(proposal)
    .innerJoin(user, and(eq(user.companyId, proposal.companyId), eq(user.id, proposal.sellerId)))
    .where(inArray(proposal.id, ids));
