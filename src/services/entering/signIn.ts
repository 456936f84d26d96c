import Type from 'typebox';
import { clearAttempts } from '@/data/attempts';
import { findAccount, knowsDevice } from '@/data/before';
import { beforeCompany } from '@/data/connection';
import { check } from '../check';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { tokenHash } from '../secrets';
import type { Opened } from './openSession';
import { companiesOf, openSession } from './openSession';
import { passwordMatches } from '../accounts/password';
import { refuseWrongCode } from '../accounts/secondStep';
import { readTicket, writeTicket } from './ticket';

export { SESSION_DAYS } from './openSession';

const Input = Type.Object({
  email: Type.String({ minLength: 1, maxLength: 200 }),
  password: Type.String({ minLength: 1, maxLength: 200 }),
  browser: Type.String({ maxLength: 400 }),
});

const CodeInput = Type.Object({
  ticket: Type.String({ minLength: 1, maxLength: 600 }),
  code: Type.String({ minLength: 1, maxLength: 40 }),
  browser: Type.String({ maxLength: 400 }),
});

const TRIES = 8;
/** A whole office may sit behind one network address. */
const TRIES_FROM = 60;

/** From where somebody signs in. */
export interface Place {
  /** The network address. */
  readonly from: string;
  /** What this device was given when somebody signed in here before. */
  readonly device: string | undefined;
}

/** Signed in, or what is still asked for: a code, with the ticket that says the password was right. */
export type SignedIn = Opened | { readonly ticket: string };

const direct: Place = { from: 'direct', device: undefined };

/** Whether a person signed in on a device before: it still holds what it was given then. */
const isKnown = async (personId: string, device: string | undefined): Promise<boolean> =>
  device !== undefined && device.length <= 100 && (await knowsDevice(personId, tokenHash(device)));

/**
 * Opens a session for a person in the company they were in last, and returns its token, to be kept in a cookie. Who has an
 * authenticator gets a ticket instead, and is asked for a code. Eight failed tries at one account in a quarter of an hour
 * close it for a while, and many from one network address close that. A device the person signed in on before has tries of
 * its own: others' guessing does not keep them out.
 * @throws Problem `sign-in-refused`
 */
export async function signIn(input: unknown, now: Date, { from, device }: Place = direct): Promise<SignedIn> {
  const { email, password, browser } = check(Input, input);
  const address = email.trim().toLowerCase();
  const found = await findAccount(address);
  const known = found !== null && (await isKnown(found.id, device));
  const bucket = known ? `sign-in:${address}:${tokenHash(device!)}` : `sign-in:${address}`;
  if (!known) await takeTry(`sign-in from ${from.slice(0, 60)}`, TRIES_FROM, now);
  await takeTry(bucket, TRIES, now);

  if (!(await passwordMatches(found?.passwordHash ?? null, password)) || !found)
    throw new Problem('sign-in-refused', 'That address and password do not belong together.');
  await beforeCompany((tx) => clearAttempts(tx, bucket));
  if (found.second) return { ticket: writeTicket(found.id, now) };
  return openLast(found.id, { browser, from }, now);
}

/**
 * The second step: a code of the authenticator, or one of the recovery codes, each once.
 * @throws Problem `code-refused`, `sign-in-again`
 */
export async function signInWithCode(input: unknown, now: Date, { from }: Place = direct): Promise<Opened> {
  const { ticket, code, browser } = check(CodeInput, input, 'The code');
  const personId = readTicket(ticket, now);
  if (!personId) throw new Problem('sign-in-again', 'That took too long. Type your password again.');
  await refuseWrongCode(personId, code, now);
  return openLast(personId, { browser, from }, now);
}

/** A session where somebody was last. @throws Problem `no-company` */
async function openLast(
  personId: string,
  where: { browser: string; from: string },
  now: Date,
): Promise<Opened> {
  const [last] = await companiesOf(personId);
  if (!last)
    throw new Problem('no-company', 'No company lets you in any more. Ask who manages people at yours.');
  return openSession(last, where, now);
}
