import Type from 'typebox';
import { findRoles } from '@/data/accounts/role';
import { endSession, endSessionsOfUser, findOpenSessions } from '@/data/accounts/session';
import { findPeople, lockUser, updateUser } from '@/data/accounts/user';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { countWork, handOverProposals } from '@/data/proposals/handOver';
import { EntityId, ShortText } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { browserWords } from '../accounts/browserWords';
import { check, checkId } from '../check';
import { noSuch, Problem } from '../problem';
import { tokenHash } from '../secrets';
import { openInvitations } from './invite';
import { reaches, roleToGive } from './mayGive';

/** Who works for the company, what each may do, and who is asked to join. */
export async function readPeople(actor: Actor) {
  allow(actor, 'people');
  return inCompany(actor, async (tx) => {
    const roles = await findRoles(tx);
    const people = await findPeople(tx);
    const work = new Map((await countWork(tx)).map(({ sellerId, open, all }) => [sellerId, { open, all }]));
    return {
      people: people.map(({ disabledAt, lastSeenAt, ...each }) => ({
        ...each,
        disabledAt: disabledAt?.toISOString() ?? null,
        lastSeenAt: lastSeenAt === null ? null : new Date(lastSeenAt).toISOString(),
        isSelf: each.id === actor.userId,
        mayChange: reaches(
          actor,
          roles.find(({ id }) => id === each.roleId)!,
        ),
        work: work.get(each.id) ?? { open: 0, all: 0 },
      })),
      roles: roles.map((each) => ({ ...each, mayGive: reaches(actor, each) })),
      invitations: await openInvitations(tx, actor.now),
    };
  });
}
export type PeopleView = Awaited<ReturnType<typeof readPeople>>;

/**
 * One of the company whom the one who asks may change.
 * @throws Problem `more-than-own`, `no-such-person`
 */
async function changeable(tx: Transaction, actor: Actor, userId: string) {
  const [found] = await lockUser(tx, userId);
  if (!found) throw noSuch('person');
  if (!reaches(actor, found.role))
    throw new Problem(
      'more-than-own',
      `${found.user.name} (${found.role.name}) may do more than you may. Ask an owner.`,
    );
  return found;
}

/** Does what may leave a company without an owner. @throws Problem `last-owner` */
async function withAnOwner<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const said = String(
      (error as { cause?: { message?: string } }).cause?.message ?? (error as Error).message,
    );
    if (/has no owner/.test(said))
      throw new Problem(
        'last-owner',
        'A company has at least one owner who can sign in. Make another one first.',
      );
    throw error;
  }
}

const RoleOf = Type.Object({ userId: EntityId, roleId: EntityId }, { additionalProperties: false });

/** Gives somebody another role. */
export async function giveRole(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'people');
  const { userId, roleId } = check(RoleOf, input, 'The role');
  await withAnOwner(() =>
    inCompany(actor, async (tx) => {
      const { user, role: before } = await changeable(tx, actor, userId);
      const role = await roleToGive(tx, actor, roleId);
      await updateUser(tx, user.id, { roleId });
      await recordAudit(tx, actor, 'role given', user.id, { before: before.name, after: role.name });
    }),
  );
}

const Deactivated = Type.Object(
  {
    userId: EntityId,
    to: Type.Union([EntityId, Type.Null()], {
      description: 'Who goes on with their open proposals and jobs',
    }),
  },
  { additionalProperties: false },
);

/**
 * Somebody signs in no more: their sessions end at once, what they did stays theirs, and their open work goes to another.
 * @returns how many proposals were handed over
 */
export async function deactivate(actor: Actor, input: unknown): Promise<{ handedOver: number }> {
  allow(actor, 'people');
  const { userId, to } = check(Deactivated, input, 'What becomes of their work');
  return withAnOwner(() =>
    inCompany(actor, async (tx) => {
      const { user } = await changeable(tx, actor, userId);
      const handedOver = to === null ? 0 : await handOver(tx, actor, { from: userId, to, scope: 'open' });
      if (!user.disabledAt) {
        // Noted first: who deactivates themselves can note nothing after.
        await recordAudit(tx, actor, 'person deactivated', userId, { handedOver, to });
        await updateUser(tx, userId, { disabledAt: actor.now });
        await endSessionsOfUser(tx, userId, actor.now);
      }
      return { handedOver };
    }),
  );
}

/** Somebody who was deactivated may sign in again. @throws Problem `no-such-person` */
export async function reactivate(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'people');
  const userId = checkId(id, 'person');
  await inCompany(actor, async (tx) => {
    await changeable(tx, actor, userId);
    await updateUser(tx, userId, { disabledAt: null });
    await recordAudit(tx, actor, 'person reactivated', userId, {});
  });
}

/** Hands proposals over, with a record on each. @throws Problem `no-such-person` */
async function handOver(
  tx: Transaction,
  actor: Actor,
  { from, to, scope }: { readonly from: string; readonly to: string; readonly scope: 'open' | 'all' },
): Promise<number> {
  const next = (await findPeople(tx)).find(({ id, disabledAt }) => id === to && !disabledAt);
  if (!next || to === from) throw noSuch('person');
  const moved = await handOverProposals(tx, from, to, scope);
  for (const { id } of moved) await recordAudit(tx, actor, 'seller changed', id, { before: from, after: to });
  return moved.length;
}

const HandedOver = Type.Object(
  { from: EntityId, to: EntityId, scope: Type.Union([Type.Literal('open'), Type.Literal('all')]) },
  { additionalProperties: false },
);

/** Somebody's work goes to another: what is open, or all of it. */
export async function handWorkOver(actor: Actor, input: unknown): Promise<{ handedOver: number }> {
  allow(actor, 'people');
  const wanted = check(HandedOver, input, 'What is handed over');
  return inCompany(actor, async (tx) => {
    await changeable(tx, actor, wanted.from);
    return { handedOver: await handOver(tx, actor, wanted) };
  });
}

const Renamed = Type.Object({ userId: EntityId, name: ShortText }, { additionalProperties: false });

/** What somebody is called in this company; one's own name, or with the right to manage people. */
export async function renamePerson(actor: Actor, input: unknown): Promise<void> {
  const { userId, name } = check(Renamed, input, 'The name');
  if (userId !== actor.userId) allow(actor, 'people');
  await inCompany(actor, async (tx) => {
    const { user } =
      userId === actor.userId ? (await lockUser(tx, userId))[0]! : await changeable(tx, actor, userId);
    await updateUser(tx, userId, { name: name.trim() });
    await recordAudit(tx, actor, 'person renamed', userId, { before: user.name, after: name.trim() });
  });
}

/** Where one of the company is signed in. @throws Problem `no-such-person` */
export async function sessionsOf(actor: Actor, id: unknown) {
  allow(actor, 'people');
  const userId = checkId(id, 'person');
  return inCompany(actor, async (tx) => {
    await changeable(tx, actor, userId);
    const rows = await findOpenSessions(tx, { userId, now: actor.now });
    return rows.map(({ id: sessionId, browser, origin, createdAt, lastSeenAt }) => ({
      ...{ id: sessionId, browser: browserWords(browser), origin },
      createdAt: createdAt.toISOString(),
      lastSeenAt: lastSeenAt.toISOString(),
    }));
  });
}

const Ended = Type.Object({ userId: EntityId, sessionId: EntityId }, { additionalProperties: false });

/** Ends a session of one of the company. @throws Problem `no-such-session` */
export async function endSessionOf(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'people');
  const { userId, sessionId } = check(Ended, input, 'The session');
  await inCompany(actor, async (tx) => {
    await changeable(tx, actor, userId);
    const done = await endSession(tx, { userId, now: actor.now }, sessionId);
    if (done.length === 0) throw new Problem('no-such-session', 'That session is not open any more.');
    await recordAudit(tx, actor, 'session revoked', sessionId, { of: userId });
  });
}

/** Ends all sessions of the one who asks, in this company, besides the one they ask from. */
export async function endOtherSessions(actor: Actor, token: string): Promise<void> {
  await inCompany(actor, async (tx) => {
    await endSessionsOfUser(tx, actor.userId, actor.now, tokenHash(token));
    await recordAudit(tx, actor, 'other sessions ended', actor.userId, {});
  });
}
