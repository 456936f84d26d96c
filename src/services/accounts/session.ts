import { findSession } from '@/data/before';
import { inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { actorFrom, recordAudit } from '../actor';
import { checkId } from '../check';
import { Problem } from '../problem';
import { browserWords } from './browserWords';
import { tokenHash } from '../secrets';
import { updateSession, findOpenSessions, endSession } from '@/data/accounts/session';

/** Who holds this token, or null when the session is unknown, over or revoked, or the user is disabled. */
export async function actorOf(token: string | undefined, now: Date): Promise<Actor | null> {
  if (!token || token.length > 100) return null;
  const found = await findSession(tokenHash(token), now);
  if (!found) return null;
  const { id, seenLately, ...known } = found;
  if (!seenLately) await inCompany(found.companyId, (tx) => updateSession(tx, id, { lastSeenAt: now }));
  return actorFrom(known, now);
}

/** Ends the session of a token; a session that is not there is ended already. */
export async function signOut(token: string, now: Date): Promise<void> {
  const found = token.length > 100 ? null : await findSession(tokenHash(token), now);
  if (found) await inCompany(found.companyId, (tx) => updateSession(tx, found.id, { revokedAt: now }));
}

/** The open sessions of the one who asks, newest first; `current` marks the one they ask from. */
export async function listSessions(actor: Actor, token: string) {
  return inCompany(actor, async (tx) => {
    const rows = await findOpenSessions(tx, actor);
    return rows.map(({ id, browser, origin, createdAt, lastSeenAt, tokenHash: hash }) => ({
      ...{ id, origin, browser: browserWords(browser) },
      createdAt: createdAt.toISOString(),
      lastSeenAt: lastSeenAt.toISOString(),
      current: hash === tokenHash(token),
    }));
  });
}

/**
 * Ends one of one's own sessions, on whatever browser it is.
 * @throws Problem `no-such-session`
 */
export async function revokeSession(actor: Actor, id: unknown): Promise<void> {
  const sessionId = checkId(id, 'session');
  await inCompany(actor, async (tx) => {
    const done = await endSession(tx, actor, sessionId);
    if (done.length === 0) throw new Problem('no-such-session', 'That session is not open any more.');
    await recordAudit(tx, actor, 'session revoked', sessionId);
  });
}
