import { inCompany } from '@/data/connection';
import { DeskPreferences } from '@/model';
import type { Actor } from '../actor';
import { check } from '../check';
import { findDeskPreferences, updateUser } from '@/data/accounts/user';

/** How a person likes the desk. */
export async function readPreferences(actor: Actor): Promise<DeskPreferences> {
  return inCompany(actor, async (tx) => {
    const [row] = await findDeskPreferences(tx, actor.userId);
    return row?.desk ?? {};
  });
}

/** Keeps how a person likes the desk; their own, whoever they are. */
export async function savePreferences(actor: Actor, input: unknown): Promise<void> {
  const desk = check(DeskPreferences, input, 'The choice');
  await inCompany(actor, (tx) => updateUser(tx, actor.userId, { desk }));
}
