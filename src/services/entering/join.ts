import Type from 'typebox';
import { insertPerson } from '@/data/accounts/person';
import { lockInvitation, updateInvitation } from '@/data/accounts/invitation';
import { insertUser, updateUser, userOfPerson } from '@/data/accounts/user';
import type { FoundInvitation } from '@/data/before';
import { findInvitation } from '@/data/before';
import type { Transaction } from '@/data/connection';
import { asNewcomer } from '@/data/connection';
import { ShortText } from '@/model';
import { newId, recordAudit } from '../actor';
import { check } from '../check';
import { noteTry, refuseAfter } from '../limit';
import { Problem } from '../problem';
import { tokenHash } from '../secrets';
import type { Browser, Opened } from './openSession';
import { openSession } from './openSession';
import { hashPassword, refusePoorPassword } from '../accounts/password';
import { takenOr } from './taken';

const WRONG_FROM = 30;

const Input = Type.Object(
  { name: ShortText, password: Type.String({ minLength: 1, maxLength: 400 }) },
  { additionalProperties: false },
);

const gone = {
  accepted: 'This invitation was accepted already. Sign in.',
  revoked: 'This invitation was taken back. Ask who sent it for another.',
  expired: 'This invitation ran out. Ask who sent it for another.',
} as const;

/** What an invitation says to who opens its link; wrong links are counted per network address. */
export async function readInvitation(
  token: string,
  from: string,
  now: Date,
): Promise<(FoundInvitation & { readonly gone: string | null }) | null> {
  const bucket = `wrong invitation from ${from.slice(0, 60)}`;
  await refuseAfter(bucket, WRONG_FROM, now);
  const found = token.length > 100 ? null : await findInvitation(tokenHash(token));
  if (!found) {
    await noteTry(bucket, now);
    return null;
  }
  const over = found.over ?? (new Date(found.expiresAt) <= now ? ('expired' as const) : null);
  return { ...found, gone: over && gone[over] };
}

/** @throws Problem `invitation-over`, `no-such-invitation` */
async function openInvitation(token: string, from: string, now: Date): Promise<FoundInvitation> {
  const found = await readInvitation(token, from, now);
  if (!found || found.gone)
    throw new Problem('invitation-over', found?.gone ?? 'This link does not lead anywhere.');
  return found;
}

/**
 * Takes the invitation up for a person, once; who was of the company before is again.
 * @throws Problem `invitation-over`
 */
async function takeUp(
  tx: Transaction,
  { companyId, id }: FoundInvitation,
  person: { readonly id: string; readonly name: string },
  now: Date,
): Promise<string> {
  const [row] = await lockInvitation(tx, id);
  if (!row || row.acceptedAt || row.revokedAt) throw new Problem('invitation-over', gone.accepted);
  const [before] = await userOfPerson(tx, person.id);
  const userId = before?.id ?? newId(now);
  const { roleId } = row;
  if (before) await updateUser(tx, userId, { disabledAt: null, roleId });
  else
    await insertUser(tx, {
      companyId,
      id: userId,
      personId: person.id,
      name: person.name,
      roleId,
      createdAt: now,
    });
  await updateInvitation(tx, id, { acceptedAt: now, userId });
  await recordAudit(tx, { companyId, userId, now }, 'invitation accepted', id, {});
  return userId;
}

/**
 * Somebody new takes an invitation up: their name and password, and they are signed in.
 * @throws Problem `address-taken`, `invitation-over`
 */
export async function joinAsNew(token: string, input: unknown, where: Browser, now: Date): Promise<Opened> {
  const invitation = await openInvitation(token, where.from, now);
  const { name, password } = check(Input, input, 'What you typed');
  const { companyId, email, company } = invitation;
  refusePoorPassword(password, [name, email, company]);
  const passwordHash = await hashPassword(password);
  const personId = newId(now);
  const userId = await takenOr(() =>
    asNewcomer(personId, companyId, async (tx) => {
      await insertPerson(tx, { id: personId, email, name: name.trim(), passwordHash, createdAt: now });
      return takeUp(tx, invitation, { id: personId, name: name.trim() }, now);
    }),
  );
  return openSession({ companyId, userId }, where, now);
}

/**
 * Somebody who signs in here already takes an invitation up, signed in as who was invited; they go on in the company.
 * @throws Problem `invitation-over`, `somebody-else`
 */
export async function joinAsKnown(
  token: string,
  person: { readonly personId: string; readonly name: string } | null,
  where: Browser,
  now: Date,
): Promise<Opened> {
  const invitation = await openInvitation(token, where.from, now);
  const { companyId, email } = invitation;
  if (!person || invitation.personId !== person.personId)
    throw new Problem('somebody-else', `This invitation is for ${email}. Sign in with that address first.`);
  const userId = await asNewcomer(person.personId, companyId, (tx) =>
    takeUp(tx, invitation, { id: person.personId, name: person.name }, now),
  );
  return openSession({ companyId, userId }, where, now);
}
