import type { Transaction } from '../connection';
import { proposal, revision } from '../schema';
import { and, desc, eq, gte, inArray, isNull, sql } from 'drizzle-orm';

/** One row by its id, or none. */
export const revisionById = async (tx: Transaction, id: string): Promise<(typeof revision.$inferSelect)[]> =>
  tx.select().from(revision).where(eq(revision.id, id));

/** Stores one or several rows. */
export async function insertRevision(
  tx: Transaction,
  rows: typeof revision.$inferInsert | readonly (typeof revision.$inferInsert)[],
): Promise<void> {
  await tx.insert(revision).values([rows].flat());
}

/** The revision of a proposal that was sent last. */
export const findNewestRevision = async (tx: Transaction, proposalId: string) =>
  tx
    .select()
    .from(revision)
    .where(eq(revision.proposalId, proposalId))
    .orderBy(desc(revision.number))
    .limit(1);

/** Id and number of that revision, without what it holds. */
export const findNewestRevisionKey = async (tx: Transaction, proposalId: string) =>
  tx
    .select({ id: revision.id, number: revision.number })
    .from(revision)
    .where(eq(revision.proposalId, proposalId))
    .orderBy(desc(revision.number))
    .limit(1);

/** The revision before one. */
export const findRevisionBefore = async (tx: Transaction, proposalId: string, number: number) =>
  tx
    .select()
    .from(revision)
    .where(and(eq(revision.proposalId, proposalId), eq(revision.number, number - 1)));

/** The seal of a revision. */
export const findSealOfRevision = async (tx: Transaction, id: string) =>
  tx.select({ sha256: revision.sha256 }).from(revision).where(eq(revision.id, id));

/** The frozen text of a revision by its number. */
export const findCanonicalText = async (tx: Transaction, proposalId: string, wanted: number) =>
  tx
    .select({ canonical: revision.canonical })
    .from(revision)
    .where(and(eq(revision.proposalId, proposalId), eq(revision.number, wanted)));

/** What was sent of a proposal, the newest first. */
export const findRevisions = async (tx: Transaction, proposalId: string) =>
  tx.select().from(revision).where(eq(revision.proposalId, proposalId)).orderBy(desc(revision.number));

/** Proposals sent first since a moment, with their last revision, the newest first. */
export const findSentSince = async (tx: Transaction, from: Date) =>
  tx
    .select({
      proposalId: revision.proposalId,
      sentAt: sql<string>`min(${revision.sentAt})`,
      last: sql<number>`max(${revision.number})::int`,
    })
    .from(revision)
    .innerJoin(
      proposal,
      and(eq(proposal.companyId, revision.companyId), eq(proposal.id, revision.proposalId)),
    )
    .where(isNull(proposal.agreementId))
    .groupBy(revision.proposalId)
    .having(gte(sql`min(${revision.sentAt})`, from.toISOString()))
    .orderBy(desc(sql`min(${revision.sentAt})`));

/** The revisions of some proposals. */
export const findRevisionsOf = async (tx: Transaction, ids: string[]) =>
  tx.select().from(revision).where(inArray(revision.proposalId, ids));
