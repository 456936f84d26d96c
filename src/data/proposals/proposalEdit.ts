import type { Transaction } from '../connection';
import { proposalEdit, user } from '../schema';
import { and, asc, desc, eq, gt, isNotNull } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertProposalEdit(
  tx: Transaction,
  rows: typeof proposalEdit.$inferInsert | readonly (typeof proposalEdit.$inferInsert)[],
): Promise<void> {
  await tx.insert(proposalEdit).values([rows].flat());
}

/** The edits of a proposal since a save, with who made them. */
export const findEditsSince = async (tx: Transaction, proposalId: string, saveNumber: number) =>
  tx
    .select({
      saveNumber: proposalEdit.saveNumber,
      patches: proposalEdit.patches,
      userId: user.id,
      by: user.name,
    })
    .from(proposalEdit)
    .innerJoin(user, and(eq(user.companyId, proposalEdit.companyId), eq(user.id, proposalEdit.userId)))
    .where(and(eq(proposalEdit.proposalId, proposalId), gt(proposalEdit.saveNumber, saveNumber)))
    .orderBy(asc(proposalEdit.saveNumber));

/** So many edits that took something out are looked through, the last ones. */
const REMOVALS = 200;

/** What was taken out of a proposal by those who do not see cost, the last first. */
export const findRemoved = async (tx: Transaction, proposalId: string) =>
  tx
    .select({ removed: proposalEdit.removed })
    .from(proposalEdit)
    .where(and(eq(proposalEdit.proposalId, proposalId), isNotNull(proposalEdit.removed)))
    .orderBy(desc(proposalEdit.saveNumber))
    .limit(REMOVALS);
