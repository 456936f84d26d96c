import { closeConnection } from '@/data/connection';
import { joinAsNew, readInvitation } from '@/services/entering/join';
import { actorOf } from '@/services/accounts/session';
import type { Actor } from '@/services/actor';
import { invite, revokeInvitation, showInvitation } from '@/services/people/invite';
import {
  deactivate,
  endSessionOf,
  giveRole,
  handWorkOver,
  reactivate,
  readPeople,
  renamePerson,
  sessionsOf,
} from '@/services/people/people';
import { changeSeller, listSellers } from '@/services/people/changeSeller';
import { removeRole, saveRole } from '@/services/people/roles';
import { readProposal } from '@/services/proposals/read';
import { readWholeList } from '@/services/lists/deskList';
import { proposalList } from '@/services/proposals/proposalList';
import { startProposal } from '@/services/proposals/start';
import { findAnything } from '@/services/find/findAnything';
import { asOwner } from '../support/owner';
import { sql } from 'drizzle-orm';
import { newCompany, newCustomer, refusal } from '../support/desk';

afterAll(closeConnection);

const where = { browser: 'test', from: `staff ${process.pid} ${Date.now()}` };
const password = 'walnut-harbor-skein';
let made = 0;
const unique = () => `${process.pid}-${(made += 1)}-${Date.now()}@test.example`;

const roleOf = async (actor: Actor, kind: string) =>
  (await readPeople(actor)).roles.find((role) => role.kind === kind)!.id;

/** Somebody who took an invitation up, as they act. */
async function joined(owner: Actor, kind: string, name = 'New Person'): Promise<Actor & { email: string }> {
  const email = unique();
  const { address } = await invite(owner, { email, name, roleId: await roleOf(owner, kind) });
  const opened = await joinAsNew(address.split('/join/')[1]!, { name, password }, where, new Date());
  return { ...(await actorOf(opened.token, new Date()))!, email };
}

describe('an invitation', () => {
  test('lets somebody in with the role it names, once, for a week', async () => {
    const owner = await newCompany();
    const email = unique();
    const asked = { email, name: 'New Person', roleId: await roleOf(owner, 'seller') };
    const { id, address } = await invite(owner, asked);
    const token = address.split('/join/')[1]!;
    expect(await readInvitation(token, where.from, new Date())).toMatchObject({
      ...{
        company: 'Test Builders',
        inviter: 'Test Owner',
        role: 'Seller',
        email,
        personId: null,
        gone: null,
      },
    });
    expect((await showInvitation(owner, id)).address).toBe(address);
    const inAWeek = new Date(owner.now.getTime() + 8 * 24 * 3600_000);
    expect((await readInvitation(token, where.from, inAWeek))!.gone).toMatch(/ran out/);
    const typed = { name: 'New Person', password };
    expect(
      await refusal(joinAsNew(token, { ...typed, password: 'New Person 1' }, where, new Date())),
    ).toMatchObject({
      code: 'password-guessed',
    });
    // Pressed twice: one of them is in.
    const two = await Promise.allSettled([
      joinAsNew(token, typed, where, new Date()),
      joinAsNew(token, typed, where, new Date()),
    ]);
    expect(two.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    const { people, invitations } = await readPeople(owner);
    expect(people.map(({ name, role }) => [name, role])).toEqual([
      ['New Person', 'Seller'],
      ['Test Owner', 'Owner'],
    ]);
    expect(invitations).toEqual([]);
    expect(await refusal(invite(owner, asked))).toMatchObject({ code: 'joined-already' });
    // The letter is in the outbox without its link.
    const { rows } = await asOwner((tx) =>
      tx.execute<{ body: string }>(sql`select body from message where to_address = ${email}`),
    );
    expect(rows[0]!.body).toContain('[private link]');
    expect(rows[0]!.body).not.toContain(token);
  });

  test('asked again, the link of before is over; taken back, the new one too', async () => {
    const owner = await newCompany();
    const asked = { email: unique(), name: 'N', roleId: await roleOf(owner, 'field') };
    const first = (await invite(owner, asked)).address.split('/join/')[1]!;
    const { id, address } = await invite(owner, { ...asked, email: asked.email.toUpperCase() });
    const second = address.split('/join/')[1]!;
    expect((await readInvitation(first, where.from, new Date()))!.gone).toMatch(/taken back/);
    await revokeInvitation(owner, id);
    expect((await readInvitation(second, where.from, new Date()))!.gone).toMatch(/taken back/);
    expect(await refusal(joinAsNew(second, { name: 'N', password }, where, new Date()))).toMatchObject({
      code: 'invitation-over',
    });
    expect(await refusal(revokeInvitation(owner, id))).toMatchObject({ code: 'invitation-over' });
    expect(await readInvitation('nothing', where.from, new Date())).toBeNull();
  });
});

describe('nobody gives more than their own', () => {
  test('who manages people cannot make owners, nor touch them, nor widen a role', async () => {
    const owner = await newCompany();
    const { id: leadId } = await saveRole(owner, {
      ...{ name: 'Lead', permissions: ['people', 'propose'], discount: '5' },
    });
    const lead = await joined(owner, 'seller');
    await giveRole(owner, { userId: lead.userId, roleId: leadId });
    // Read anew: what they may follows their role at once.
    const { roles } = await readPeople(owner);
    const now: Actor = { ...lead, permissions: roles.find(({ id }) => id === leadId)!.permissions };
    expect([...now.permissions].sort()).toEqual(['allProposals', 'people', 'prices', 'propose']);
    const owners = await roleOf(owner, 'owner');
    const invited = { email: unique(), name: 'N', roleId: owners };
    expect(await refusal(invite(now, invited))).toMatchObject({ code: 'more-than-own' });
    expect(await refusal(giveRole(now, { userId: now.userId, roleId: owners }))).toMatchObject({
      code: 'more-than-own',
    });
    for (const act of [
      deactivate(now, { userId: owner.userId, to: null }),
      sessionsOf(now, owner.userId),
      renamePerson(now, { userId: owner.userId, name: 'X' }),
      handWorkOver(now, { from: owner.userId, to: now.userId, scope: 'all' }),
    ])
      expect(await refusal(act)).toMatchObject({ code: 'more-than-own' });
    expect(
      await refusal(saveRole(now, { id: leadId, name: 'Lead', permissions: ['library'], discount: null })),
    ).toMatchObject({ code: 'owner-only' });
    await renamePerson(now, { userId: now.userId, name: 'My Own Name' });
  });

  test('a company keeps an owner, and its owner everything', async () => {
    const owner = await newCompany();
    const seller = await roleOf(owner, 'seller');
    const owners = await roleOf(owner, 'owner');
    expect(await refusal(giveRole(owner, { userId: owner.userId, roleId: seller }))).toMatchObject({
      code: 'last-owner',
    });
    expect(await refusal(deactivate(owner, { userId: owner.userId, to: null }))).toMatchObject({
      code: 'last-owner',
    });
    await saveRole(owner, { id: owners, name: 'Principal', permissions: [], discount: '1' });
    const kept = (await readPeople(owner)).roles.find(({ id }) => id === owners)!;
    expect(kept).toMatchObject({ name: 'Principal', discount: null });
    expect(kept.permissions.length).toBeGreaterThan(10);
    await expect(
      asOwner((tx) => tx.execute(sql`update role set permissions = '[]' where id = ${owners}`)),
    ).rejects.toThrow();
    // Two owners who take each other’s role away in the same moment: one stays.
    const second = await joined(owner, 'owner');
    const both = await Promise.allSettled([
      giveRole(owner, { userId: second.userId, roleId: seller }),
      giveRole(second, { userId: owner.userId, roleId: seller }),
    ]);
    expect(both.filter(({ status }) => status === 'fulfilled').length).toBeLessThanOrEqual(2);
    const { rows } = await asOwner((tx) =>
      tx.execute<{ owners: number }>(
        sql`select count(*)::int as owners from app_user where company_id = ${owner.companyId} and role_id = ${owners}`,
      ),
    );
    expect(rows[0]!.owners).toBeGreaterThanOrEqual(1);
  });

  test('a role that is somebody’s stays; names are told apart', async () => {
    const owner = await newCompany();
    const { id } = await saveRole(owner, { name: 'Trainee', permissions: ['propose'], discount: null });
    expect(
      await refusal(saveRole(owner, { name: 'trainee', permissions: [], discount: null })),
    ).toMatchObject({ code: 'name-taken' });
    await invite(owner, { email: unique(), name: 'N', roleId: id });
    expect(await refusal(removeRole(owner, id))).toMatchObject({ code: 'role-in-use' });
    const { id: free } = await saveRole(owner, { name: 'Free', permissions: [], discount: null });
    await removeRole(owner, free);
    expect(await refusal(removeRole(owner, free))).toMatchObject({ code: 'no-such-role' });
  });
});

describe('who leaves', () => {
  test('is out at once; their open work goes to another, with a record, and they may come back', async () => {
    const owner = await newCompany();
    const leaver = await joined(owner, 'seller', 'Leaver');
    const heir = await joined(owner, 'seller', 'Heir');
    const { customerId, siteId } = await newCustomer(leaver);
    const { id } = await startProposal(leaver, {
      customerId,
      siteId,
      title: 'Handed over',
      templateId: null,
    });
    expect((await sessionsOf(owner, leaver.userId)).length).toBe(1);
    expect(await deactivate(owner, { userId: leaver.userId, to: heir.userId })).toEqual({ handedOver: 1 });
    expect(await sessionsOf(owner, leaver.userId)).toEqual([]);
    const { rows } = await readWholeList(owner, proposalList, { seller: [heir.userId] });
    expect(rows.map((row) => row.id)).toEqual([id]);
    const record = await asOwner((tx) =>
      tx.execute<{ detail: unknown }>(
        sql`select detail from audit where subject = ${id} and act = 'seller changed'`,
      ),
    );
    expect(record.rows[0]!.detail).toEqual({ before: leaver.userId, after: heir.userId });
    expect(
      await refusal(handWorkOver(owner, { from: heir.userId, to: leaver.userId, scope: 'all' })),
    ).toMatchObject({ code: 'no-such-person' });
    await reactivate(owner, leaver.userId);
    expect(await handWorkOver(owner, { from: heir.userId, to: leaver.userId, scope: 'open' })).toEqual({
      handedOver: 1,
    });
  });

  test('one proposal goes to another seller, with a record; only to who may sell', async () => {
    const owner = await newCompany();
    const seller = await joined(owner, 'seller', 'Other Seller');
    const office = await joined(owner, 'office', 'Office');
    const { customerId, siteId } = await newCustomer(owner);
    const { id } = await startProposal(owner, { customerId, siteId, title: 'Given', templateId: null });
    expect((await listSellers(owner)).map(({ name }) => name)).toEqual(['Other Seller', 'Test Owner']);
    expect(await refusal(changeSeller(owner, { proposalId: id, sellerId: office.userId }))).toMatchObject({
      code: 'no-such-person',
    });
    await changeSeller(owner, { proposalId: id, sellerId: seller.userId });
    expect((await readProposal(owner, id)).seller).toBe('Other Seller');
    const { rows } = await asOwner((tx) =>
      tx.execute<{ detail: unknown }>(
        sql`select detail from audit where subject = ${id} and act = 'seller changed'`,
      ),
    );
    expect(rows.map(({ detail }) => detail)).toEqual([{ before: owner.userId, after: seller.userId }]);
  });

  test('a session of one of ours is ended from here', async () => {
    const owner = await newCompany();
    const seller = await joined(owner, 'seller');
    const [session] = await sessionsOf(owner, seller.userId);
    await endSessionOf(owner, { userId: seller.userId, sessionId: session!.id });
    expect(await sessionsOf(owner, seller.userId)).toEqual([]);
    const other = await newCompany();
    expect(await refusal(sessionsOf(other, seller.userId))).toMatchObject({ code: 'no-such-person' });
  });
});

test('who sees their own work only sees nobody else’s, by any door', async () => {
  const owner = await newCompany();
  const { id: roleId } = await saveRole(owner, {
    ...{ name: 'Own work', permissions: ['propose', 'issue', 'jobs', 'export'], discount: null },
  });
  const seller = await joined(owner, 'seller');
  await giveRole(owner, { userId: seller.userId, roleId });
  const { roles } = await readPeople(owner);
  const own: Actor = { ...seller, permissions: roles.find(({ id }) => id === roleId)!.permissions };
  const { customerId, siteId } = await newCustomer(owner);
  const theirs = await startProposal(owner, { customerId, siteId, title: 'Not yours', templateId: null });
  const mine = await startProposal(own, { customerId, siteId, title: 'Yours', templateId: null });
  expect((await readWholeList(own, proposalList, {})).rows.map(({ id }) => id)).toEqual([mine.id]);
  expect(await refusal(readProposal(own, theirs.id))).toMatchObject({ code: 'no-such-proposal' });
  expect(JSON.stringify(await findAnything(own, 'yours'))).not.toContain('Not yours');
  expect(JSON.stringify(await findAnything(own, 'yours'))).toContain('Yours');
});
