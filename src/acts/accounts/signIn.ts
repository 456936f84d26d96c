import { eq, sql } from 'drizzle-orm';
import Type from 'typebox';
import { clearAttempts } from '@/data/attempts';
import { beforeCompany, inCompany } from '@/data/connection';
import { session, user } from '@/data/schema';
import { newId, note } from '../actor';
import { check } from '../check';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { newToken, tokenHash } from '../secrets';
import { passwordMatches } from './password';

const Input = Type.Object({
  email: Type.String({ minLength: 1, maxLength: 200 }),
  password: Type.String({ minLength: 1, maxLength: 200 }),
  browser: Type.String({ maxLength: 400 }),
});

const TRIES = 8;
export const SESSION_DAYS = 14;

/**
 * Opens a session for a user and returns its token, to be kept in a cookie. Eight failed tries at one address in a
 * quarter of an hour close it for a while.
 */
export async function signIn(input: unknown, now: Date): Promise<{ token: string; expiresAt: Date }> {
  const { email, password, browser } = check(Input, input);
  const bucket = `sign-in:${email.trim().toLowerCase()}`;
  await takeTry(bucket, TRIES, now);

  const found = await beforeCompany(async (tx) => {
    const rows = await tx
      .select()
      .from(user)
      .where(eq(sql`lower(${user.email})`, email.trim().toLowerCase()));
    return rows[0] ?? null;
  });
  const usable = found && !found.disabledAt ? found : null;
  if (!(await passwordMatches(usable?.passwordHash ?? null, password)) || !usable)
    throw new Problem(401, 'That address and password do not belong together.');

  const token = newToken();
  const expiresAt = new Date(now.getTime() + SESSION_DAYS * 24 * 3600_000);
  await beforeCompany((tx) => clearAttempts(tx, bucket));
  await inCompany(usable.companyId, async (tx) => {
    const id = newId(now);
    await tx.insert(session).values({
      companyId: usable.companyId,
      id,
      userId: usable.id,
      tokenHash: tokenHash(token),
      browser,
      createdAt: now,
      lastSeenAt: now,
      expiresAt,
    });
    await note(tx, { companyId: usable.companyId, userId: usable.id, now }, 'signed in', id);
  });
  return { token, expiresAt };
}
