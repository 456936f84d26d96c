import type { Transaction } from '../connection';
import { agreementOf, customerOfAgreement } from '../joins';
import { agreement, customer, selection, selectionRound } from '../schema';
import { and, eq, inArray, isNull, ne } from 'drizzle-orm';

/** One row by its id, or none; held until the transaction ends. */
export const lockSelectionRoundById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof selectionRound.$inferSelect)[]> =>
  tx.select().from(selectionRound).where(eq(selectionRound.id, id)).for('update');

/** Stores one or several rows. */
export async function insertSelectionRound(
  tx: Transaction,
  rows: typeof selectionRound.$inferInsert | readonly (typeof selectionRound.$inferInsert)[],
): Promise<void> {
  await tx.insert(selectionRound).values([rows].flat());
}

/** Changes columns of one row. */
export async function updateSelectionRound(
  tx: Transaction,
  id: string,
  columns: Partial<typeof selectionRound.$inferInsert>,
): Promise<void> {
  await tx.update(selectionRound).set(columns).where(eq(selectionRound.id, id));
}

/** The selection rounds for some lines of an agreement that customers have not answered. */
export const findOpenRounds = async (tx: Transaction, agreementId: string, lineIds: string[]) =>
  tx
    .select({ document: selectionRound.document })
    .from(selectionRound)
    .leftJoin(
      selection,
      and(eq(selection.companyId, selectionRound.companyId), eq(selection.roundId, selectionRound.id)),
    )
    .where(
      and(
        eq(selectionRound.agreementId, agreementId),
        eq(selectionRound.state, 'offered'),
        isNull(selection.id),
        inArray(selectionRound.lineId, lineIds),
      ),
    );

/** The selection rounds customers have not answered, with the agreement and the customer of each. */
export const findWaitingRounds = async (tx: Transaction) =>
  tx
    .select({
      id: selectionRound.id,
      document: selectionRound.document,
      agreementId: agreement.id,
      title: agreement.title,
      customer: customer.name,
    })
    .from(selectionRound)
    .leftJoin(
      selection,
      and(eq(selection.companyId, selectionRound.companyId), eq(selection.roundId, selectionRound.id)),
    )
    .innerJoin(agreement, agreementOf(selectionRound))
    .innerJoin(customer, customerOfAgreement)
    .where(and(eq(selectionRound.state, 'offered'), isNull(selection.id)));

/** The selection rounds a customer may see, by their proposal. */
export const findRoundsOfProposal = async (tx: Transaction, proposalId: string) =>
  tx
    .select({ document: selectionRound.document })
    .from(selectionRound)
    .innerJoin(agreement, agreementOf(selectionRound))
    .where(and(eq(agreement.proposalId, proposalId), ne(selectionRound.state, 'prepared')));

/** The proposal whose agreement a selection round belongs to. */
export const findProposalOfRound = async (tx: Transaction, roundId: string) =>
  tx
    .select({ proposalId: agreement.proposalId })
    .from(selectionRound)
    .innerJoin(agreement, eq(agreement.id, selectionRound.agreementId))
    .where(eq(selectionRound.id, roundId));
