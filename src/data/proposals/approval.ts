import type { Transaction } from '../connection';
import { approval, customer, proposal, user } from '../schema';
import { and, desc, eq, isNull } from 'drizzle-orm';

/** One row by its id, or none; held until the transaction ends. */
export const lockApprovalById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof approval.$inferSelect)[]> =>
  tx.select().from(approval).where(eq(approval.id, id)).for('update');

/** Stores one or several rows. */
export async function insertApproval(
  tx: Transaction,
  rows: typeof approval.$inferInsert | readonly (typeof approval.$inferInsert)[],
): Promise<void> {
  await tx.insert(approval).values([rows].flat());
}

/** What was asked of the owner for a proposal, the newest first. */
export const findApprovalsOf = async (tx: Transaction, proposalId: string) =>
  tx
    .select({ approval, name: user.name })
    .from(approval)
    .innerJoin(user, and(eq(user.companyId, approval.companyId), eq(user.id, approval.askedBy)))
    .where(eq(approval.proposalId, proposalId))
    .orderBy(desc(approval.saveNumber));

/** What waits for the owner’s yes, the oldest first; what was changed since is asked anew. */
export const findWaitingApprovals = async (tx: Transaction) =>
  tx
    .select({ approval, name: user.name, title: proposal.title, customer: customer.name })
    .from(approval)
    .innerJoin(user, and(eq(user.companyId, approval.companyId), eq(user.id, approval.askedBy)))
    .innerJoin(
      proposal,
      and(
        eq(proposal.companyId, approval.companyId),
        eq(proposal.id, approval.proposalId),
        // What was changed after it was asked is asked anew.
        eq(proposal.saveNumber, approval.saveNumber),
      ),
    )
    .innerJoin(
      customer,
      and(eq(customer.companyId, proposal.companyId), eq(customer.id, proposal.customerId)),
    )
    .where(isNull(approval.verdict))
    .orderBy(approval.askedAt);

/** Asks for the owner’s yes to a state of a proposal; nothing where it is asked already. */
export const insertApprovalOnce = async (tx: Transaction, row: typeof approval.$inferInsert) =>
  tx.insert(approval).values(row).onConflictDoNothing().returning({ id: approval.id });

/** Keeps the owner’s answer. */
export const answerApprovalRow = async (
  tx: Transaction,
  verdict: 'yes' | 'no',
  answer: string,
  actor: { readonly userId: string; readonly now: Date; readonly companyId: string },
  approvalId: string,
) =>
  tx
    .update(approval)
    .set({ verdict, answer: answer.trim(), answeredBy: actor.userId, answeredAt: actor.now })
    .where(and(eq(approval.companyId, actor.companyId), eq(approval.id, approvalId)));

/** What was asked for a state of a proposal. */
export const findApprovalOfState = async (
  tx: Transaction,
  row: { readonly id: string; readonly saveNumber: number },
) =>
  tx
    .select()
    .from(approval)
    .where(and(eq(approval.proposalId, row.id), eq(approval.saveNumber, row.saveNumber)));

/** Keeps the owner’s own yes. */
export const updateApprovalOf = async (
  tx: Transaction,
  answer: { verdict: 'yes'; answeredBy: string; answeredAt: Date; answer: string },
  companyId: string,
  id: string,
) =>
  tx
    .update(approval)
    .set(answer)
    .where(and(eq(approval.companyId, companyId), eq(approval.id, id)));
