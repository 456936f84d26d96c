import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import { findSession } from '@/data/before';
import { inCompany } from '@/data/connection';
import { session } from '@/data/schema';
import type { Actor } from '../actor';
import { recordAudit } from '../actor';
import { checkId } from '../check';
import { Problem } from '../problem';
import { tokenHash } from '../secrets';

/** Who holds this token, or null when the session is unknown, over or revoked, or the user is disabled. */
export async function actorOf(token: string | undefined, now: Date): Promise<Actor | null> {
  if (!token || token.length > 100) return null;
  const found = await findSession(tokenHash(token), now);
  if (!found) return null;
  const { companyId, id, userId, name, role } = found;
  if (!found.seenLately)
    await inCompany(companyId, (tx) => tx.update(session).set({ lastSeenAt: now }).where(eq(session.id, id)));
  return { companyId, userId, name, role, now };
}

/** Ends the session of a token; a session that is not there is ended already. */
export async function signOut(token: string, now: Date): Promise<void> {
  const found = token.length > 100 ? null : await findSession(tokenHash(token), now);
  if (found)
    await inCompany(found.companyId, (tx) =>
      tx.update(session).set({ revokedAt: now }).where(eq(session.id, found.id)),
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
    await recordAudit(tx, actor, 'session revoked', sessionId);
  });
}
