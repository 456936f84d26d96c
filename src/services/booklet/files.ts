import { filesOfRound, shownFilesOf } from '@/core/offer';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import { noSuch } from '../problem';
import { readFile } from '../files/keep';
import type { Visitor } from './open';
import { currentRevision } from './open';
import { findRoundsOfProposal } from '@/data/agreements/selectionRound';

/** Pictures of what the customer was asked to choose. */
async function filesOfRounds(tx: Transaction, visitor: Visitor): Promise<readonly string[]> {
  const rows = await findRoundsOfProposal(tx, visitor.proposalId);
  return rows.flatMap(({ document }) => filesOfRound(document));
}

/**
 * A picture for the holder of a private link: only one that what they were sent shows, or the company’s logo.
 * @throws Problem `no-such-picture`
 */
export async function visitorFile(visitor: Visitor, id: string) {
  return inCompany(visitor.companyId, async (tx) => {
    const { document } = await currentRevision(tx, visitor);
    const { logo } = await companyOf(tx, visitor.companyId);
    const shown =
      id === logo || shownFilesOf(document).includes(id) || (await filesOfRounds(tx, visitor)).includes(id);
    if (!shown) throw noSuch('picture');
    return readFile(tx, id, false);
  });
}
