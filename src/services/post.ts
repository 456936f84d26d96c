import { and, desc, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { link, message } from '@/data/schema';
import type { Letter } from '@/gateways/post';
import { simulatedPost } from '@/gateways/post';
import type { Actor } from './actor';
import { newId } from './actor';
import type { NewLink } from './links';
import { mayShow } from './links';

/** What stands in a kept letter where its private link was. */
export const LINK_PLACE = '[private link]';

/** Puts a letter about a proposal in the post, and keeps it with what became of it; its private link is not kept in it. */
export async function postLetter(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  {
    proposalId,
    kind,
    link,
    ...letter
  }: Letter & { readonly proposalId: string; readonly kind: string; readonly link?: NewLink | null },
): Promise<void> {
  await tx.insert(message).values({
    companyId: who.companyId,
    id: newId(who.now),
    proposalId,
    kind,
    toAddress: letter.to,
    subject: letter.subject,
    body: link ? letter.body.replaceAll(link.address, LINK_PLACE) : letter.body,
    linkId: link?.id ?? null,
    state: simulatedPost.deliver(letter).state,
    at: who.now,
  });
}

/** The letters that went out, newest first. */
export async function listMessages(actor: Actor) {
  return inCompany(actor.companyId, async (tx) => {
    const rows = await tx
      .select({ message, link })
      .from(message)
      .leftJoin(link, and(eq(link.companyId, message.companyId), eq(link.id, message.linkId)))
      .orderBy(desc(message.at), desc(message.id))
      .limit(200);
    return rows.map(({ message: { companyId: _, at, ...row }, link: theirs }) => ({
      ...row,
      at: at.toISOString(),
      link: theirs && {
        id: theirs.id,
        open: theirs.revokedAt === null && theirs.expiresAt > actor.now,
        mayShow: mayShow(actor, theirs.purpose),
      },
    }));
  });
}
