import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { ListPreferences } from '@/model';
import type { Actor } from '../actor';
import { check } from '../check';
import { findListPreferences, putListPreferences } from '@/data/accounts/user';

const Input = Type.Object(
  { list: Type.String({ pattern: '^[a-z][a-zA-Z]{0,39}$' }), preferences: ListPreferences },
  { additionalProperties: false },
);

/** How a person likes a list. */
export async function readListPreferences(actor: Actor, list: string): Promise<ListPreferences> {
  return inCompany(actor, async (tx) => {
    const [row] = await findListPreferences(tx, actor.userId);
    return row?.lists[list] ?? {};
  });
}

/** Keeps how a person likes a list: what is given of it; other lists, and what is not given, stay as they are. */
export async function saveListPreferences(actor: Actor, input: unknown): Promise<void> {
  const { list, preferences } = check(Input, input, 'The choice');
  await inCompany(actor, (tx) => putListPreferences(tx, actor.userId, list, preferences));
}
