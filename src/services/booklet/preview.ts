import { inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { allow, businessDate, may } from '../actor';
import { companyOf } from '@/data/settings/company';
import { noSuch } from '../problem';
import type { Booklet } from './open';
import { readBooklet } from './open';
import { proposalById } from '@/data/proposals/proposal';
import { findNewestRevision } from '@/data/proposals/revision';

/**
 * The booklet the customer would get if the proposal were sent as it stands; `asSent` where it is what they have, so that
 * choices can be kept for them.
 * @throws Problem `no-such-proposal`
 */
export async function previewBooklet(
  actor: Actor,
  proposalId: string,
): Promise<Booklet & { readonly asSent: boolean }> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const [row] = await proposalById(tx, proposalId);
    if (!row) throw noSuch('proposal');
    const [newest] = await findNewestRevision(tx, proposalId);
    // What was changed since it was sent goes out as a new revision, in which nothing is chosen yet.
    const unchanged = row.state === 'sent' && row.saveNumber === row.sentSaveNumber;
    const sent = unchanged || row.state === 'accepted' ? newest : undefined;
    const ours = await companyOf(tx, actor.companyId);
    const booklet = await readBooklet(tx, {
      proposal: row,
      revision: sent ?? { id: null, number: (newest?.number ?? 0) + 1, sentAt: actor.now },
      document: row.document,
      ours,
      today: businessDate(actor.now, ours.timeZone),
      now: actor.now,
      state: row.state === 'accepted' ? 'accepted' : 'draft',
    });
    return {
      ...booklet,
      asSent: sent !== undefined && row.state === 'sent' && may(actor, 'propose'),
    };
  });
}
