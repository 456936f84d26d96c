import Type from 'typebox';
import {
  findInvitations,
  findOpenInvitation,
  insertInvitation,
  lockInvitation,
  updateInvitation,
} from '@/data/accounts/invitation';
import { findPeople } from '@/data/accounts/user';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import { EmailAddress, EntityId, ShortText } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { here } from '../here';
import { postLetter } from '../post';
import { noSuch, Problem } from '../problem';
import { seal, unseal } from '../seal';
import { newToken, tokenHash } from '../secrets';
import { roleToGive } from './mayGive';

/** An invitation is good for a week. */
export const INVITATION_DAYS = 7;

const Input = Type.Object(
  { email: EmailAddress, name: ShortText, roleId: EntityId },
  { additionalProperties: false },
);

const validUntil = (now: Date) => new Date(now.getTime() + INVITATION_DAYS * 24 * 3600_000);

/** The letter with the link. */
async function post(
  tx: Transaction,
  actor: Actor,
  { email, name, address, role }: { email: string; name: string; address: string; role: string },
): Promise<void> {
  const { name: ours } = await companyOf(tx, actor.companyId);
  await postLetter(tx, actor, {
    proposalId: null,
    kind: 'invitation',
    to: email,
    subject: `${actor.name} invites you to ${ours}`,
    body: `Hello ${name},\n\n${actor.name} invites you to work with ${ours} (as: ${role}). Open this link within ${INVITATION_DAYS} days and set your password:\n\n${address}\n\nIf you do not know ${ours}, throw this letter away; nothing happens then.`,
    hidden: address,
  });
}

/**
 * Invites somebody by mail. Who was asked before is asked anew; the link of before is over then.
 * @returns the link as well, for handing it over by other ways
 * @throws Problem `joined-already`
 */
export async function invite(actor: Actor, input: unknown): Promise<{ id: string; address: string }> {
  allow(actor, 'people');
  const { email, name, roleId } = check(Input, input, 'The invitation');
  const id = newId(actor.now);
  const token = newToken();
  return inCompany(actor, async (tx) => {
    const role = await roleToGive(tx, actor, roleId);
    const there = (await findPeople(tx)).find((each) => each.email.toLowerCase() === email.toLowerCase());
    if (there && !there.disabledAt)
      throw new Problem('joined-already', `${there.name} signs in with this address already.`);
    const [before] = await findOpenInvitation(tx, email);
    if (before) await updateInvitation(tx, before.id, { revokedAt: actor.now });
    await insertInvitation(tx, {
      ...{ companyId: actor.companyId, id, email, name: name.trim(), roleId },
      ...{ tokenHash: tokenHash(token), sealed: seal(token, id) },
      ...{ invitedBy: actor.userId, invitedAt: actor.now, expiresAt: validUntil(actor.now) },
    });
    const address = here(`/join/${token}`);
    await post(tx, actor, { email, name, address, role: role.name });
    await recordAudit(tx, actor, 'person invited', id, { email, role: role.name });
    return { id, address };
  });
}

/** @throws Problem `invitation-over`, `no-such-invitation` */
async function open(tx: Transaction, id: string) {
  const [row] = await lockInvitation(tx, id);
  if (!row) throw noSuch('invitation');
  if (row.acceptedAt || row.revokedAt)
    throw new Problem(
      'invitation-over',
      row.acceptedAt ? 'This invitation was accepted.' : 'This invitation was taken back.',
    );
  return row;
}

/**
 * Shows the link of an invitation that is open. Who was shown it is kept.
 * @throws Problem `invitation-over`, `no-such-invitation`
 */
export async function showInvitation(actor: Actor, id: unknown): Promise<{ address: string }> {
  allow(actor, 'people');
  const invitationId = checkId(id, 'invitation');
  return inCompany(actor, async (tx) => {
    const row = await open(tx, invitationId);
    await roleToGive(tx, actor, row.roleId);
    const token = unseal(row.sealed, row.id);
    if (row.expiresAt <= actor.now || token === null)
      throw new Problem('invitation-over', 'This invitation ran out. Invite them again.');
    await recordAudit(tx, actor, 'invitation shown', row.id, {});
    return { address: here(`/join/${token}`) };
  });
}

/** Takes an invitation back. @throws Problem `invitation-over`, `no-such-invitation` */
export async function revokeInvitation(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'people');
  const invitationId = checkId(id, 'invitation');
  await inCompany(actor, async (tx) => {
    const row = await open(tx, invitationId);
    await roleToGive(tx, actor, row.roleId);
    await updateInvitation(tx, row.id, { revokedAt: actor.now });
    await recordAudit(tx, actor, 'invitation revoked', row.id, { email: row.email });
  });
}

/** The invitations that nobody took up yet, newest first; some may have run out. */
export async function openInvitations(tx: Transaction, now: Date) {
  const rows = await findInvitations(tx);
  return rows.map(({ expiresAt, invitedAt, ...row }) => ({
    ...row,
    invitedAt: invitedAt.toISOString(),
    expiresAt: expiresAt.toISOString(),
    over: expiresAt <= now,
  }));
}
