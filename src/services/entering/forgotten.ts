import Type from 'typebox';
import {
  endSessionsOfPerson,
  personById,
  putPasswordLink,
  takePasswordLink,
  updatePerson,
} from '@/data/accounts/person';
import { findAccount, findPasswordLink } from '@/data/before';
import { asPerson } from '@/data/connection';
import { EmailAddress } from '@/model';
import { check, checkText } from '../check';
import { here } from '../here';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { newToken, tokenHash } from '../secrets';
import { postAccountLetter } from './accountLetter';
import { hashPassword, refusePoorPassword } from '../accounts/password';

/** A link to set a new password is good for an hour. */
const MINUTES = 60;
const TRIES = 5;
const TRIES_FROM = 30;

const Input = Type.Object({ email: EmailAddress }, { additionalProperties: false });

/**
 * Sends a link to set a new password to an address, if somebody signs in with it. Whether somebody does is not told: the
 * answer is the same, and no faster.
 */
export async function sendPasswordLink(input: unknown, from: string, now: Date): Promise<void> {
  const { email } = check(Input, input, 'The address');
  const address = email.trim().toLowerCase();
  await takeTry(`password link from ${from.slice(0, 60)}`, TRIES_FROM, now);
  await takeTry(`password link:${address}`, TRIES, now);
  const token = newToken();
  const found = await findAccount(address);
  if (!found) return;
  await asPerson(found.id, async (tx) => {
    const [known] = await personById(tx, found.id);
    await putPasswordLink(tx, found.id, tokenHash(token), new Date(now.getTime() + MINUTES * 60_000));
    await postAccountLetter(
      tx,
      {
        to: known!.email,
        subject: 'Set a new password',
        body: `Hello ${known!.name},\n\nsomebody, probably you, asked for a new password. Open this link within an hour and set it:\n\n${here(`/password/${token}`)}\n\nIf it was not you, throw this letter away; your password stays as it is.`,
      },
      now,
    );
  });
}

/** Whose password a link sets anew; null when the link is over. */
export const readPasswordLink = async (token: string, now: Date) =>
  token.length > 100 ? null : findPasswordLink(tokenHash(token), now);

/**
 * Sets a new password by a link, once. All sessions of the person end; an authenticator stays asked for.
 * @throws Problem `password-link-over`
 */
export async function setPasswordByLink(token: string, password: unknown, now: Date): Promise<void> {
  const found = await readPasswordLink(token, now);
  const over = () => new Problem('password-link-over', 'This link is over. Ask for another one.');
  if (!found) throw over();
  const next = checkText(password, 400, 'The password');
  refusePoorPassword(next, [found.name, found.email]);
  const passwordHash = await hashPassword(next);
  await asPerson(found.personId, async (tx) => {
    if ((await takePasswordLink(tx, tokenHash(token), now)).length === 0) throw over();
    await updatePerson(tx, found.personId, { passwordHash });
    await endSessionsOfPerson(tx, '', now);
  });
}
