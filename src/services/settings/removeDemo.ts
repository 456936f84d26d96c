import { removeDemoOf } from '@/data/settings/company';
import { inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { Problem } from '../problem';
import { checkText } from '../check';
import { readOwnCompany } from './company';

/**
 * Removes the demo: its companies with all that is in them, and its people. The database is empty then and can be set up.
 * @param typed the name of the company, typed by hand: nothing of this comes back
 * @throws Problem `not-a-demo`, `name-other`, `owner-only`
 */
export async function removeDemo(actor: Actor, typed: unknown): Promise<void> {
  if (!actor.isOwner) throw new Problem('owner-only', 'The demo is removed by its owner.');
  const name = checkText(typed, 300, 'The name');
  const ours = await readOwnCompany(actor);
  if (!ours.demo) throw new Problem('not-a-demo', 'This company is no demo. Nothing was removed.');
  if (name.trim() !== ours.name.trim())
    throw new Problem('name-other', `Type the name of the company to remove it: ${ours.name}`);
  await inCompany(actor.companyId, removeDemoOf);
}
