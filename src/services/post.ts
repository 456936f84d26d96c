import type { Transaction } from '@/data/connection';
import { message } from '@/data/schema';
import type { Letter } from '@/gateways/post';
import { simulatedPost } from '@/gateways/post';
import { newId } from './actor';
import type { NewLink } from './links';

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
