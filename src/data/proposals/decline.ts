import type { Transaction } from '../connection';
import { decline, revision } from '../schema';
import { and, eq, inArray } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertDecline(
  tx: Transaction,
  rows: typeof decline.$inferInsert | readonly (typeof decline.$inferInsert)[],
): Promise<void> {
  await tx.insert(decline).values([rows].flat());
}

/** Rows by their revision. */
export const declineByRevisionId = async (
  tx: Transaction,
  revisionId: string,
): Promise<(typeof decline.$inferSelect)[]> =>
  tx.select().from(decline).where(eq(decline.revisionId, revisionId));

/** Which revisions of some proposals were declined. */
export const findDeclines = async (tx: Transaction, ids: string[]) =>
  tx
    .select({ revisionId: decline.revisionId })
    .from(decline)
    .innerJoin(revision, and(eq(revision.companyId, decline.companyId), eq(revision.id, decline.revisionId)))
    .where(inArray(revision.proposalId, ids));
