import { inCompany } from '@/data/connection';
import { customerView } from '@/core/offer';
import { ChooseInput } from '@/model';
import { check } from '../check';
import type { Meanwhile } from '@/data/proposals/choices';
import { choicesOf, keepChoices, refuseBadChoices, refuseChangedMeanwhile } from '@/data/proposals/choices';
import { refuseClosed, refuseReplaced } from './decide';
import type { Visitor } from './open';
import { currentRevision } from './open';
import { lockProposal } from '@/data/proposals/proposal';

/**
 * Keeps what the customer has decided so far, and answers with the new figures. Two who hold one link and choose at once
 * do not overwrite each other: who saw an older state is told, with how it stands now.
 */
export async function chooseInBooklet(visitor: Visitor, input: unknown): Promise<Meanwhile> {
  const { revisionId, choices, seen } = check(ChooseInput, input, 'The choice');
  return inCompany(visitor.companyId, async (tx) => {
    // One after the other: whoever holds this row decides first.
    await lockProposal(tx, visitor.proposalId);
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
