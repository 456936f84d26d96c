import { and, asc, eq, inArray } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { keptFile, messageAttachment } from '../schema';

/** Stores what goes with a letter. */
export async function insertAttachments(
  tx: Transaction,
  rows: readonly (typeof messageAttachment.$inferInsert)[],
): Promise<void> {
  if (rows.length > 0) await tx.insert(messageAttachment).values([...rows]);
}

/** What went with some letters, by name, in order. */
export const findAttachmentNames = async (tx: Transaction, messageIds: readonly string[]) =>
  messageIds.length === 0
    ? []
    : tx
        .select({ messageId: messageAttachment.messageId, name: messageAttachment.name })
        .from(messageAttachment)
        .where(inArray(messageAttachment.messageId, [...messageIds]))
        .orderBy(asc(messageAttachment.messageId), asc(messageAttachment.position));

/** One thing that went with a letter, with its bytes, or none. */
export const findAttachment = async (tx: Transaction, messageId: string, position: number) =>
  tx
    .select({
      name: messageAttachment.name,
      mediaType: messageAttachment.mediaType,
      bytes: messageAttachment.bytes,
      picture: keptFile.bytes,
    })
    .from(messageAttachment)
    .leftJoin(
      keptFile,
      and(eq(keptFile.companyId, messageAttachment.companyId), eq(keptFile.id, messageAttachment.fileId)),
    )
    .where(and(eq(messageAttachment.messageId, messageId), eq(messageAttachment.position, position)));
