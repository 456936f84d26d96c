import type { Transaction } from '../connection';
import { agreement, selection } from '../schema';
import { eq, sql } from 'drizzle-orm';

/** Rows by their round. */
export const selectionByRoundId = async (
  tx: Transaction,
  roundId: string,
): Promise<(typeof selection.$inferSelect)[]> =>
  tx.select().from(selection).where(eq(selection.roundId, roundId));

/** One row by its id, or none. */
export const selectionById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof selection.$inferSelect)[]> => tx.select().from(selection).where(eq(selection.id, id));

/** Stores one or several rows. */
export async function insertSelection(
  tx: Transaction,
  rows: typeof selection.$inferInsert | readonly (typeof selection.$inferInsert)[],
): Promise<void> {
  await tx.insert(selection).values([rows].flat());
}

/** What was chosen in a selection round, and the proposal it belongs to. */
export const findSelectionOfRound = async (tx: Transaction, roundId: string) =>
  tx
    .select({ choices: selection.choices, proposalId: agreement.proposalId })
    .from(selection)
    .innerJoin(agreement, eq(agreement.id, selection.agreementId))
    .where(eq(selection.roundId, roundId));

/** The position of the last selection on a line; −1 where there is none. */
export const findLastPosition = async (
  tx: Transaction,
  row: { readonly agreementId: string; readonly lineId: string },
) =>
  tx
    .select({ position: sql<number>`coalesce(max(${selection.position}), -1)::int` })
    .from(selection)
    .where(sql`${selection.agreementId} = ${row.agreementId} and ${selection.lineId} = ${row.lineId}`);
