import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { link } from '@/data/schema';
import { EntityId } from '@/model';
import type { Actor } from './actor';
import { allow, may, newId, recordAudit } from './actor';
import { check } from './check';
import { here } from './here';
import { noSuch, Problem } from './problem';
import { seal, unseal } from './seal';
import { newToken, tokenHash } from './secrets';
import { insertLink, linkById } from '@/data/proposals/link';
import { findLetterOfLink } from '@/data/messages/message';
import { findWhoWasShown } from '@/data/accounts/audit';
import { findNamesOf } from '@/data/accounts/user';

const LINK_DAYS = 120;

/** What a private link was sent for. */
export type LinkPurpose = (typeof link.$inferSelect)['purpose'];

export interface NewLink {
  readonly id: string;
  readonly token: string;
  readonly address: string;
}

/**
 * Makes a private link to a proposal. Its token is known only now: kept are its hash, to open the door by, and its address
 * sealed, to be shown to whoever may.
 * @param at where in the booklet it leads, as `#pay`
 */
export async function makeLink(
  tx: Transaction,
  actor: Pick<Actor, 'companyId' | 'now'>,
  proposalId: string,
  purpose: LinkPurpose,
  at = '',
): Promise<NewLink> {
  const token = newToken();
  const id = newId(actor.now);
  const way = `/b/${token}${at}`;
  await insertLink(tx, {
    companyId: actor.companyId,
    id,
    proposalId,
    purpose,
    tokenHash: tokenHash(token),
    sealed: seal(way, id),
    createdAt: actor.now,
    expiresAt: new Date(actor.now.getTime() + LINK_DAYS * 24 * 3600_000),
  });
  return { id, token, address: here(way) };
}

/** Whoever sends letters of a kind may see the link in one; who does not, may not. */
export const mayShow = (actor: Actor, purpose: LinkPurpose): boolean =>
  purpose === 'invoice' ? may(actor, 'issue') : may(actor, 'propose');

const ShowInput = Type.Object({ linkId: EntityId }, { additionalProperties: false });

/**
 * Shows a private link. That it was shown, and to whom, is kept, and stands with whatever is signed under it.
 * @throws Problem `link-gone`, `no-such-link`, `role-not-allowed`
 */
export async function showLink(actor: Actor, input: unknown): Promise<{ address: string }> {
  allow(actor, 'prices');
  const { linkId } = check(ShowInput, input, 'The link');
  return inCompany(actor, async (tx) => {
    const [row] = await linkById(tx, linkId);
    if (!row) throw noSuch('link');
    if (!mayShow(actor, row.purpose))
      throw new Problem(
        'role-not-allowed',
        'Whoever opens this link can sign for the customer. It is shown to sellers only.',
      );
    const way = row.sealed === null ? null : unseal(row.sealed, row.id);
    if (row.revokedAt || row.expiresAt <= actor.now || way === null)
      throw new Problem(
        'link-gone',
        'This link does not lead anywhere any more. Send again to make a new one.',
      );
    await recordAudit(tx, actor, 'link shown', row.id, { proposalId: row.proposalId });
    return { address: here(way) };
  });
}

/** By what means somebody came who signed: the letter their link was in, and who of ours had been shown it before. */
export interface Means {
  readonly sentTo: string | null;
  readonly sentAt: string | null;
  readonly shownTo: readonly string[];
}

/** How the holder of a link came by it, as far as is known here. */
export async function meansOf(tx: Transaction, linkId: string): Promise<Means> {
  const [letter] = await findLetterOfLink(tx, linkId);
  const shown = await findWhoWasShown(tx, linkId);
  const ids = shown.flatMap(({ id }) => (id === null ? [] : [id]));
  const people = ids.length === 0 ? [] : await findNamesOf(tx, ids);
  return {
    sentTo: letter?.to ?? null,
    sentAt: letter?.at.toISOString() ?? null,
    shownTo: people.map(({ name }) => name),
  };
}
