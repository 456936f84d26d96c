import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import { beforeCompany, inCompany } from '@/data/connection';
import { session, user } from '@/data/schema';
import type { Actor } from '../actor';
import { note } from '../actor';
import { checkId } from '../check';
import { Problem } from '../problem';
import { tokenHash } from '../secrets';

/** Who holds this token, or null when the session is unknown, over or revoked, or the user is disabled. */
export async function actorOf(token: string | undefined, now: Date): Promise<Actor | null> {
  if (!token || token.length > 100) return null;
  return beforeCompany(async (tx) => {
    const rows = await tx
      .select({ session, user })
      .from(session)
      .innerJoin(user, and(eq(user.companyId, session.companyId), eq(user.id, session.userId)))
      .where(
        and(
          eq(session.tokenHash, tokenHash(token)),
          isNull(session.revokedAt),
          gt(session.expiresAt, now),
          isNull(user.disabledAt),
        ),
      );
    const row = rows[0];
    if (!row) return null;
    if (now.getTime() - row.session.lastSeenAt.getTime() > 5 * 60_000)
      await tx
        .update(session)
        .set({ lastSeenAt: now })
        .where(and(eq(session.companyId, row.session.companyId), eq(session.id, row.session.id)));
    return {
      companyId: row.user.companyId,
      userId: row.user.id,
      name: row.user.name,
      role: row.user.role,
      now,
    };
  });
}

/** Ends the session of a token; a session that is not there is ended already. */
export async function signOut(token: string, now: Date): Promise<void> {
  await beforeCompany((tx) =>
    tx
      .update(session)
      .set({ revokedAt: now })
      .where(and(eq(session.tokenHash, tokenHash(token)), isNull(session.revokedAt))),
  );
}

/** The open sessions of the one who asks, newest first; `current` marks the one they ask from. */
export async function listSessions(actor: Actor, token: string) {
  return inCompany(actor.companyId, async (tx) => {
    const rows = await tx
      .select()
      .from(session)
      .where(
        and(eq(session.userId, actor.userId), isNull(session.revokedAt), gt(session.expiresAt, actor.now)),
      )
      .orderBy(desc(session.lastSeenAt));
    return rows.map(({ id, browser, createdAt, lastSeenAt, tokenHash: hash }) => ({
      id,
      browser,
      createdAt: createdAt.toISOString(),
      lastSeenAt: lastSeenAt.toISOString(),
      current: hash === tokenHash(token),
    }));
  });
}

/** Ends one of one's own sessions, on whatever browser it is. */
export async function revokeSession(actor: Actor, id: unknown): Promise<void> {
  const sessionId = checkId(id, 'That session is not open any more.');
  await inCompany(actor.companyId, async (tx) => {
    const done = await tx
      .update(session)
      .set({ revokedAt: actor.now })
      .where(and(eq(session.id, sessionId), eq(session.userId, actor.userId), isNull(session.revokedAt)))
      .returning({ id: session.id });
    if (done.length === 0) throw new Problem(404, 'That session is not open any more.');
    await note(tx, actor, 'session revoked', sessionId);
  });
}
