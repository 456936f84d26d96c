import { asc, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { customerQuestion } from '../schema';
import { businessDate } from '@/core/calendar';

/** A question of the customer and our answer, as both read them. */
export interface Asked {
  readonly id: string;
  readonly words: string;
  readonly on: string;
  readonly answer: string | null;
  readonly answeredOn: string | null;
}

/** What was asked about a proposal, oldest first. */
export async function questionsAsked(
  tx: Transaction,
  proposalId: string,
  timeZone: string,
): Promise<Asked[]> {
  const rows = await tx
    .select()
    .from(customerQuestion)
    .where(eq(customerQuestion.proposalId, proposalId))
    .orderBy(asc(customerQuestion.askedAt));
  return rows.map((row) => ({
    id: row.id,
    words: row.words,
    on: businessDate(row.askedAt, timeZone),
    answer: row.answer,
    answeredOn: row.answeredAt && businessDate(row.answeredAt, timeZone),
  }));
}
