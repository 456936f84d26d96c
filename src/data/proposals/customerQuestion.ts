import type { Transaction } from '../connection';
import { agreement, customer, customerQuestion, proposal } from '../schema';
import { and, asc, eq, isNull } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertCustomerQuestion(
  tx: Transaction,
  rows: typeof customerQuestion.$inferInsert | readonly (typeof customerQuestion.$inferInsert)[],
): Promise<void> {
  await tx.insert(customerQuestion).values([rows].flat());
}

/** One row by its id, or none; held until the transaction ends. */
export const lockCustomerQuestionById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof customerQuestion.$inferSelect)[]> =>
  tx.select().from(customerQuestion).where(eq(customerQuestion.id, id)).for('update');

/** Keeps the answer to a customer’s question. */
export const putAnswer = async (
  tx: Transaction,
  answer: string,
  actor: { readonly userId: string; readonly now: Date; readonly companyId: string },
  questionId: string,
) =>
  tx
    .update(customerQuestion)
    .set({ answer: answer.trim(), answeredBy: actor.userId, answeredAt: actor.now })
    .where(and(eq(customerQuestion.companyId, actor.companyId), eq(customerQuestion.id, questionId)));

/** Questions of customers that wait for an answer, the oldest first. */
export const findUnanswered = async (tx: Transaction) =>
  tx
    .select({
      question: customerQuestion,
      title: proposal.title,
      customer: customer.name,
      agreementId: agreement.id,
    })
    .from(customerQuestion)
    .innerJoin(
      proposal,
      and(eq(proposal.companyId, customerQuestion.companyId), eq(proposal.id, customerQuestion.proposalId)),
    )
    .innerJoin(
      customer,
      and(eq(customer.companyId, proposal.companyId), eq(customer.id, proposal.customerId)),
    )
    .leftJoin(
      agreement,
      and(eq(agreement.companyId, proposal.companyId), eq(agreement.proposalId, proposal.id)),
    )
    .where(isNull(customerQuestion.answer))
    .orderBy(asc(customerQuestion.askedAt));
