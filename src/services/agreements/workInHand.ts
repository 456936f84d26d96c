import { findWorkInHand } from '@/data/agreements/workInHand';
import type { WorkInHand } from '@/data/agreements/workInHand';
import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';

const MOST = 100;

/** Jobs that are not done, for who does the work: where, what is next, and no sum. */
export async function readWorkInHand(
  actor: Actor,
): Promise<{ readonly jobs: readonly WorkInHand[]; readonly more: boolean; readonly today: string }> {
  allow(actor, 'jobs');
  return inCompany(actor, async (tx) => {
    const jobs = await findWorkInHand(tx, MOST + 1);
    const { timeZone } = await companyOf(tx, actor.companyId);
    return {
      jobs: jobs.slice(0, MOST),
      more: jobs.length > MOST,
      today: businessDate(actor.now, timeZone),
    };
  });
}
