import { and, eq } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { customerChoice, proposal } from '@/data/schema';
import type { Transaction } from '@/data/connection';
import { customerView } from '@/core/offer';
import { ChooseInput } from '@/model';
import type { Choices } from '@/model';
import { check } from '../check';
import type { Meanwhile } from './choices';
import { choicesOf, refuseBadChoices, refuseChangedMeanwhile } from './choices';
import { refuseClosed, refuseReplaced } from './decide';
import type { Visitor } from './open';
import { currentRevision } from './open';

interface Choosing {
  readonly companyId: string;
  readonly now: Date;
  /** Who of ours chooses for the customer; null: the customer. */
  readonly userId: string | null;
}

/** Keeps choices of a revision under the next count. */
export async function keepChoices(
  tx: Transaction,
  { companyId, now, userId }: Choosing,
  revisionId: string,
  choices: Choices,
  before: number,
): Promise<number> {
  const number = before + 1;
  const row = { choices, number, presetBy: userId, updatedAt: now };
  if (before === 0) await tx.insert(customerChoice).values({ companyId, revisionId, ...row });
  else
    await tx
      .update(customerChoice)
      .set(row)
      .where(and(eq(customerChoice.companyId, companyId), eq(customerChoice.revisionId, revisionId)));
  return number;
}

/**
 * Keeps what the customer has decided so far, and answers with the new figures. Two who hold one link and choose at once
 * do not overwrite each other: who saw an older state is told, with how it stands now.
 */
export async function chooseInBooklet(visitor: Visitor, input: unknown): Promise<Meanwhile> {
  const { revisionId, choices, seen } = check(ChooseInput, input, 'The choice');
  return inCompany(visitor.companyId, async (tx) => {
    // One after the other: whoever holds this row decides first.
    await tx
      .select({ id: proposal.id })
      .from(proposal)
      .where(eq(proposal.id, visitor.proposalId))
      .for('update');
    const current = await currentRevision(tx, visitor);
    refuseClosed(current);
    await refuseReplaced(tx, current, revisionId);
    const stored = await choicesOf(tx, current.revision, current.document);
    if (seen !== undefined && seen !== stored.number) refuseChangedMeanwhile(current, choices, stored);
    refuseBadChoices(current, choices, stored.choices);
    const number = await keepChoices(tx, visitor, revisionId, choices, stored.number);
    return { view: customerView(current.document, choices, current.today), choices, number };
  });
}
