import Type from 'typebox';
import { clearAttempts } from '@/data/attempts';
import { findAccount, knowsDevice } from '@/data/before';
import { beforeCompany, inCompany } from '@/data/connection';
import { session } from '@/data/schema';
import { newId, recordAudit } from '../actor';
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
/** A whole office may sit behind one network address. */
const TRIES_FROM = 60;
export const SESSION_DAYS = 14;

/** From where somebody signs in. */
export interface Place {
  /** The network address. */
  readonly from: string;
  /** What this device was given when somebody signed in here before. */
  readonly device: string | undefined;
}

/** Whether a person signed in on a device before: it still holds what it was given then. */
const isKnown = async (userId: string, device: string | undefined): Promise<boolean> =>
  device !== undefined && device.length <= 100 && (await knowsDevice(userId, tokenHash(device)));

/**
 * Opens a session for a user and returns its token, to be kept in a cookie. Eight failed tries at one account in a quarter of
 * an hour close it for a while, and many from one network address close that. A device the person signed in on before has
 * tries of its own: others' guessing does not keep them out.
 * @throws Problem `sign-in-refused`
 */
export async function signIn(
  input: unknown,
  now: Date,
  { from, device }: Place = { from: 'direct', device: undefined },
): Promise<{ token: string; expiresAt: Date }> {
  const { email, password, browser } = check(Input, input);
  const address = email.trim().toLowerCase();
  const found = await findAccount(address);
  const known = found !== null && (await isKnown(found.id, device));
  const bucket = known ? `sign-in:${address}:${tokenHash(device!)}` : `sign-in:${address}`;
  if (!known) await takeTry(`sign-in from ${from.slice(0, 60)}`, TRIES_FROM, now);
  await takeTry(bucket, TRIES, now);

  const usable = found && !found.disabled ? found : null;
  if (!(await passwordMatches(usable?.passwordHash ?? null, password)) || !usable)
    throw new Problem('sign-in-refused', 'That address and password do not belong together.');

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
    await recordAudit(tx, { companyId: usable.companyId, userId: usable.id, now }, 'signed in', id);
  });
  return { token, expiresAt };
}
