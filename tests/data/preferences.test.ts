import { readPreferences, savePreferences } from '@/services/accounts/preferences';
import { closeConnection } from '@/data/connection';
import type { Actor } from '@/services/actor';
import { addUser } from '@/services/entering/createCompany';
import { hintsFor, putHintAway } from '@/services/help/hints';
import { newCompany, refusal } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

test('how a person likes the desk is kept for them alone, whatever their role', async () => {
  const owner = await newCompany();
  expect(await readPreferences(owner)).toEqual({});
  await savePreferences(inRole(owner, 'office'), { columns: ['code', 'margin'] });
  expect(await readPreferences(owner)).toEqual({ columns: ['code', 'margin'] });
  expect(await readPreferences(await newCompany())).toEqual({});
  await expect(savePreferences(owner, { columns: 'all' })).rejects.toThrow();
  await expect(savePreferences(owner, { theme: 'x' })).rejects.toThrow();
});

test('a hint is put away for good, all of them too; each by oneself, what is no page is refused', async () => {
  const actor = await newCompany();
  const other = await addUser(actor, {
    name: 'Other',
    email: `hints-${process.pid}-${Date.now()}@test.example`,
    password: 'gable-otter-91',
    role: 'seller',
  });
  const hintOf = async (who: Actor, slug: string) =>
    (await hintsFor(who)).find((page) => page.slug === slug)?.hint;
  expect(await hintOf(actor, 'scope')).toContain('12 joist');
  await Promise.all([putHintAway(actor, 'scope'), putHintAway(actor, 'money')]);
  expect(await hintOf(actor, 'scope')).toBe('');
  expect(await hintOf(actor, 'price')).not.toBe('');
  expect(await hintOf(other, 'scope')).toContain('12 joist');
  // How they like the desk is kept beside it.
  await savePreferences(actor, { compact: true });
  expect(await hintOf(actor, 'money')).toBe('');
  await putHintAway(actor, 'all');
  expect(await hintsFor(actor)).toEqual([]);
  expect(await readPreferences(actor)).toEqual({ compact: true });
  expect((await refusal(putHintAway(actor, 'nothing'))).code).toBe('no-such-page');
  expect((await refusal(putHintAway(actor, { $ne: '' }))).code).toBe('not-well-formed');
});
