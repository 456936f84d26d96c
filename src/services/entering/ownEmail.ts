import Type from 'typebox';
import {
  companiesOfPerson,
  endPasswordLinks,
  personById,
  putEmailLink,
  takeEmailLink,
  updatePerson,
} from '@/data/accounts/person';
import { findAccount, findEmailLink } from '@/data/before';
import { asPerson, inCompany } from '@/data/connection';
import { EmailAddress } from '@/model';
import type { Actor } from '../actor';
import { recordAudit } from '../actor';
import { check, checkText } from '../check';
import { postAccountLetter } from './accountLetter';
import { takenOr } from './taken';
import { here } from '../here';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { newToken, tokenHash } from '../secrets';
import { refuseWrongPassword } from '../accounts/ownPassword';

/** A link to sign in with another address is good for an hour. */
const MINUTES = 60;
const TRIES = 5;

const Input = Type.Object({ email: EmailAddress }, { additionalProperties: false });

/**
 * Sends a link to another address of one's own: opened, one signs in with that. Until then nothing changes. Whether somebody
 * signs in with it already is told there alone.
 * @throws Problem `address-same`, `password-wrong`
 */
export async function askForEmail(
  actor: Actor,
  input: { readonly email: unknown; readonly password: unknown },
): Promise<void> {
  const { email } = check(Input, { email: checkText(input.email, 200, 'The address').trim() }, 'The address');
  const { personId, now } = actor;
  await refuseWrongPassword(personId, input.password, now);
  const [known] = await asPerson(personId, (tx) => personById(tx, personId));
  const address = email.toLowerCase();
  if (known!.email.toLowerCase() === address)
    throw new Problem('address-same', 'You sign in with this address already.', {
      errors: [{ pointer: '/email', detail: 'as it is now' }],
    });
  await takeTry(`other address:${personId}`, TRIES, now);
  const taken = await findAccount(address);
  const token = newToken();
  await asPerson(personId, async (tx) => {
    await putEmailLink(
      tx,
      personId,
      taken
        ? null
        : { tokenHash: tokenHash(token), email, expiresAt: new Date(now.getTime() + MINUTES * 60_000) },
    );
    await postAccountLetter(
      tx,
      {
        to: email,
        subject: 'Sign in with this address',
        body: taken
          ? `Hello,\n\n${known!.name}, who signs in with ${known!.email}, asked to sign in with this address. Somebody signs in with it already, so nothing was changed. If it was you, sign in with this address as you do.`
          : `Hello ${known!.name},\n\nyou asked to sign in with this address instead of ${known!.email}. Open this link within an hour:\n\n${here(`/email/${token}`)}\n\nIf it was not you, throw this letter away; nothing changes.`,
      },
      now,
    );
  });
}

/** Who would sign in with which address by a link; null when the link is over. */
export const readEmailLink = async (token: string, now: Date) =>
  token.length > 100 ? null : findEmailLink(tokenHash(token), now);

/**
 * Changes the address somebody signs in with, by a link, once. Sessions stay; the address it was is told.
 * @throws Problem `address-taken`, `email-link-over`
 */
export async function takeEmailByLink(token: string, now: Date): Promise<void> {
  const found = await readEmailLink(token, now);
  const over = () =>
    new Problem('email-link-over', 'This link is over. Ask for another one in Settings, You.');
  if (!found) throw over();
  const { personId, was, name } = found;
  const companies = await takenOr(() =>
    asPerson(personId, async (tx) => {
      const [link] = await takeEmailLink(tx, tokenHash(token), now);
      if (!link) throw over();
      await updatePerson(tx, personId, { email: link.email });
      // Who reads letters at the address that is left opens nothing more.
      await endPasswordLinks(tx, personId);
      await postAccountLetter(
        tx,
        {
          to: was,
          subject: 'You sign in with another address now',
          body: `Hello ${name},\n\nfrom now on you sign in with ${link.email}, not with this address any more. If that was not you, tell the owner of your company at once: they can sign you out everywhere.`,
        },
        now,
      );
      return companiesOfPerson(tx);
    }),
  );
  for (const { companyId, userId } of companies)
    await inCompany(companyId, (tx) =>
      recordAudit(tx, { companyId, userId, now }, 'sign-in address changed', userId, {
        before: was,
        after: found.email,
      }),
    );
}
