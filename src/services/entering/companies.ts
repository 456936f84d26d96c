import { updateSession } from '@/data/accounts/session';
import { findSession } from '@/data/before';
import { inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { checkId } from '../check';
import { noSuch } from '../problem';
import { tokenHash } from '../secrets';
import type { Browser, Opened } from './openSession';
import { companiesOf, openSession } from './openSession';

/** The companies of the one who asks, by name; `here` marks the one they are in. */
export async function listOwnCompanies(actor: Actor) {
  const companies = await companiesOf(actor.personId);
  return companies
    .map(({ companyId, company, role, demo }) => ({
      id: companyId,
      ...{ name: company, role, demo, here: companyId === actor.companyId },
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/**
 * Goes on in another company of one's own: the session here ends, one there begins.
 * @throws Problem `no-such-company`
 */
export async function switchCompany(
  actor: Actor,
  id: unknown,
  token: string,
  where: Browser,
): Promise<Opened> {
  const wanted = checkId(id, 'company');
  const company = (await companiesOf(actor.personId)).find(({ companyId }) => companyId === wanted);
  if (!company) throw noSuch('company');
  const here = await findSession(tokenHash(token), actor.now);
  const opened = await openSession(company, where, actor.now);
  if (here) await inCompany(actor.companyId, (tx) => updateSession(tx, here.id, { revokedAt: actor.now }));
  return opened;
}
