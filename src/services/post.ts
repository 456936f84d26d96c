import type { Transaction } from '@/data/connection';
import { insertAttachments } from '@/data/messages/attachment';
import { putInQueue } from '@/data/queue/queue';
import { message } from '@/data/schema';
import { companyOf } from '@/data/settings/company';
import type { Letter } from '@/gateways/mail/post';
import { simulatedDelivery } from '@/gateways/mail/post';
import { newId } from './actor';
import { carrierOf } from './carrier';
import type { NewLink } from './links';
import { seal } from './seal';

/** What stands in a kept letter where its private link was. */
export const LINK_PLACE = '[private link]';

/** What goes with a letter: a paper as its bytes, or a kept picture. */
export type Attachment = { readonly name: string; readonly mediaType: string } & (
  { readonly bytes: Buffer } | { readonly fileId: string }
);

/**
 * Puts a letter in the post, and keeps it with what became of it; its private link is not kept in it. Where a carrier takes
 * letters out of the house it waits, whole but sealed, and goes out when this is stored. A demo's letters never leave.
 * @returns whether it leaves the house
 */
export async function postLetter(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  {
    proposalId,
    customerId = null,
    kind,
    link,
    hidden,
    attachments = [],
    ...letter
  }: Letter & {
    /** What it is about; null: a customer, and no proposal. */
    readonly proposalId: string | null;
    readonly customerId?: string | null;
    readonly kind: string;
    readonly link?: NewLink | null;
    /** An address in it that opens a door: it is not kept in it either. */
    readonly hidden?: string;
    readonly attachments?: readonly Attachment[];
  },
): Promise<{ readonly leaves: boolean }> {
  const id = newId(who.now);
  const leaves = carrierOf(await companyOf(tx, who.companyId)) !== null;
  await tx.insert(message).values({
    companyId: who.companyId,
    id,
    proposalId,
    customerId,
    kind,
    toAddress: letter.to,
    subject: letter.subject,
    body: letter.body.replaceAll(link?.address ?? hidden ?? LINK_PLACE, LINK_PLACE),
    linkId: link?.id ?? null,
    ...(leaves
      ? { state: 'waiting' as const, sealed: seal(letter.body, id) }
      : { ...simulatedDelivery(letter), settledAt: who.now }),
    at: who.now,
  });
  await insertAttachments(
    tx,
    attachments.map((attachment, position) => ({
      ...{ companyId: who.companyId, messageId: id, position },
      ...attachment,
    })),
  );
  if (leaves) await putInQueue(tx, 'letter', id, { companyId: who.companyId, letterId: id });
  return { leaves };
}
