import { sql } from 'drizzle-orm';
import { closeConnection, inCompany } from '@/data/connection';
import { audit } from '@/data/schema';
import { actorOfToken, endToken, giveToken, listTokens } from '@/services/access/tokens';
import type { Actor } from '@/services/actor';
import { addUser } from '@/services/entering/createCompany';
import { saveCustomer } from '@/services/customers/customers';
import { deactivate, giveRole } from '@/services/people/people';
import { readPeople } from '@/services/people/people';
import { readProposal } from '@/services/proposals/read';
import { readOwnCompany } from '@/services/settings/company';
import { removeDemo } from '@/services/settings/removeDemo';
import { withNeeded } from '@/model';
import { newCompany, newProposal, refusal } from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

const given = async (actor: Actor, permissions: readonly string[], days = 30) =>
  (await giveToken(actor, { name: 'Bookkeeping', permissions, days })).token;

test('a token opens what it was given, in the name of who gave it, and is told once', async () => {
  const actor = await newCompany();
  const token = await given(actor, ['prices']);
  expect(token).toMatch(/^impegno_[\w-]{43}$/);
  const by = (await actorOfToken(token, actor.now))!;
  expect(by).toMatchObject({
    ...{ companyId: actor.companyId, userId: actor.userId, isOwner: false, via: 'Bookkeeping' },
    permissions: withNeeded(['prices']),
  });
  // It is kept nowhere, and shown no more.
  const [row] = await asOwner(
    async (tx) =>
      (
        await tx.execute<{ row: string }>(
          sql`select row_to_json(t)::text as row from api_token t order by created_at desc limit 1`,
        )
      ).rows,
  );
  expect(row!.row).not.toContain(token);
  expect(JSON.stringify(await listTokens(actor))).not.toMatch(new RegExp(`${token}|tokenHash`));
  const [shown] = await listTokens({ ...actor, now: new Date() });
  expect(shown).toMatchObject({ name: 'Bookkeeping', by: actor.name });
  expect(shown!.lastUsedAt).not.toBeNull();
  // No cost, and no door it was not given.
  const proposal = await readProposal(by, await newProposal(actor));
  expect(proposal.prices).not.toBeNull();
  expect((await refusal(saveCustomer(by, {} as never))).code).toBe('role-not-allowed');
  await expect(removeDemo(by, (await readOwnCompany(actor)).name)).rejects.toThrow();
});

test('over: when it ran out, was ended, or who gave it is out; never more than they may by then', async () => {
  const actor = await newCompany();
  const second = await addUser(actor, {
    name: 'Second',
    email: `token-${process.pid}-${Date.now()}@test.example`,
    password: 'gable-otter-91',
    role: 'owner',
  });
  const token = await given(second, ['prices', 'cost', 'export'], 1);
  const later = (days: number) => new Date(second.now.getTime() + days * 24 * 3600_000);
  expect((await actorOfToken(token, later(0.9)))!.permissions).toContain('cost');
  expect(await actorOfToken(token, later(1.1))).toBeNull();
  const view = await readPeople(actor);
  const field = view.roles.find(({ kind }) => kind === 'field')!;
  await giveRole(actor, { userId: second.userId, roleId: field.id });
  expect((await actorOfToken(token, second.now))!.permissions).not.toContain('cost');
  await deactivate(actor, { userId: second.userId, to: actor.userId });
  expect(await actorOfToken(token, second.now)).toBeNull();

  const another = await given(actor, ['prices']);
  const shown = (await listTokens(actor)).find(({ by }) => by === actor.name);
  await endToken(actor, shown!.id);
  expect(await actorOfToken(another, actor.now)).toBeNull();
  expect((await refusal(endToken(actor, shown!.id))).code).toBe('no-such-token');
  for (const nonsense of [
    '',
    'impegno_',
    'x'.repeat(5000),
    another.slice(0, -1),
    another.replace('impegno_', ''),
  ])
    expect(await actorOfToken(nonsense, actor.now)).toBeNull();
});

test('nobody gives more than they may; another company’s is not there; what cannot be is refused', async () => {
  const actor = await newCompany();
  const limited: Actor = { ...actor, isOwner: false, permissions: withNeeded(['settings']) };
  expect((await refusal(given(limited, ['money']))).code).toBe('beyond-own-permissions');
  expect((await refusal(given({ ...limited, permissions: withNeeded(['prices']) }, ['prices']))).code).toBe(
    'role-not-allowed',
  );
  for (const wrong of [
    { days: 0 },
    { days: 367 },
    { permissions: [] },
    { permissions: ['all'] },
    { name: ' ' },
  ])
    expect(
      (await refusal(giveToken(actor, { name: 'A', permissions: ['prices'], days: 30, ...wrong }))).code,
    ).toBe('not-well-formed');
  await given(actor, ['prices']);
  const [shown] = await listTokens(actor);
  const other = await newCompany();
  expect(await listTokens(other)).toEqual([]);
  expect((await refusal(endToken(other, shown!.id))).code).toBe('no-such-token');
  for (let i = 0; i < 49; i += 1) await given(actor, ['prices']);
  expect((await refusal(given(actor, ['prices']))).code).toBe('too-many-tokens');
});

test('what a program does says so in the history; by other roads it is not made to last longer', async () => {
  const actor = await newCompany();
  const by = (await actorOfToken(await given(actor, ['propose', 'allProposals']), actor.now))!;
  await newProposal(by);
  const acts = await inCompany(actor, (tx) => tx.select().from(audit));
  expect(acts.find(({ act }) => act === 'proposal imported')).toMatchObject({
    userId: actor.userId,
    detail: { via: 'Bookkeeping' },
  });
  for (const change of [sql`expires_at = now() + interval '9 years'`, sql`permissions = '["people"]'`])
    await expect(inCompany(actor, (tx) => tx.execute(sql`update api_token set ${change}`))).rejects.toThrow();
});
