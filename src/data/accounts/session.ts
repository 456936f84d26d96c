import type { Transaction } from '../connection';
import { session } from '../schema';
import { and, desc, eq, gt, isNull, ne } from 'drizzle-orm';

/** Keeps a session that was opened. */
export async function insertSession(tx: Transaction, values: typeof session.$inferInsert): Promise<void> {
  await tx.insert(session).values(values);
}

/** Changes columns of one row. */
export async function updateSession(
  tx: Transaction,
  id: string,
  columns: Partial<typeof session.$inferInsert>,
): Promise<void> {
  await tx.update(session).set(columns).where(eq(session.id, id));
}

/** The sessions of a person that neither ran out nor were ended, last seen first. */
export const findOpenSessions = async (
  tx: Transaction,
  actor: { readonly userId: string; readonly now: Date },
) =>
  tx
    .select()
    .from(session)
    .where(and(eq(session.userId, actor.userId), isNull(session.revokedAt), gt(session.expiresAt, actor.now)))
    .orderBy(desc(session.lastSeenAt));

/** Ends a session of a person; nothing where it is not theirs, or ended. */
export const endSession = async (
  tx: Transaction,
  actor: { readonly now: Date; readonly userId: string },
  sessionId: string,
) =>
  tx
    .update(session)
    .set({ revokedAt: actor.now })
    .where(and(eq(session.id, sessionId), eq(session.userId, actor.userId), isNull(session.revokedAt)))
    .returning({ id: session.id });

/** Ends the sessions of one of the company. @param besides hash of the token of one that stays */
export async function endSessionsOfUser(
  tx: Transaction,
  userId: string,
  now: Date,
  besides = '',
): Promise<void> {
  await tx
    .update(session)
    .set({ revokedAt: now })
    .where(and(eq(session.userId, userId), isNull(session.revokedAt), ne(session.tokenHash, besides)));
}
