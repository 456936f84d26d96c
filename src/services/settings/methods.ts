import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import type { OwnMethod } from '@/model';
import { usualMethods } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';

/** The ways money comes and goes by hand, as the company calls them; the usual ones where it has none of its own. */
export async function listMethods(actor: Actor): Promise<readonly OwnMethod[]> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => (await companyOf(tx, actor.companyId)).money.methods ?? usualMethods);
}
