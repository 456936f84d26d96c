import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import type { OwnMethod } from '@/model';
import { usualMethods } from '@/model';
import type { Actor } from '../actor';

/** The ways money comes and goes by hand, as the company calls them; the usual ones where it has none of its own. */
export const listMethods = async (actor: Actor): Promise<readonly OwnMethod[]> =>
  inCompany(
    actor.companyId,
    async (tx) => (await companyOf(tx, actor.companyId)).money.methods ?? usualMethods,
  );
