import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import type { Actor } from '../actor';

/** What everybody of a company knows of it: what it is called, where it is, its money and its time. */
export const readOwnCompany = (actor: Actor) =>
  inCompany(actor, async (tx) => {
    const { name, address, currency, timeZone, demo } = await companyOf(tx, actor.companyId);
    return { name, address, currency, timeZone, demo };
  });
