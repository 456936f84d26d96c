import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { keptFile, message, messageAttachment } from '../schema';

/** A letter that waits for its carrier, held until the transaction ends. */
export const holdWaitingLetter = async (tx: Transaction, id: string) =>
  tx
    .select({
      to: message.toAddress,
      subject: message.subject,
      sealed: message.sealed,
      tries: message.tries,
    })
    .from(message)
    .where(and(eq(message.id, id), eq(message.state, 'waiting')))
    .for('update');

/** What goes with a letter, with its bytes, in order. */
export const findWholeAttachments = async (tx: Transaction, id: string) =>
  tx
    .select({
      name: messageAttachment.name,
      mediaType: messageAttachment.mediaType,
      bytes: sql<Buffer | null>`coalesce(${messageAttachment.bytes}, ${keptFile.bytes})`,
    })
    .from(messageAttachment)
    .leftJoin(
      keptFile,
      and(eq(keptFile.companyId, messageAttachment.companyId), eq(keptFile.id, messageAttachment.fileId)),
    )
    .where(eq(messageAttachment.messageId, id))
    .orderBy(messageAttachment.position);

/** Changes what became of a letter, where it is in one of some states. */
export const updateDelivery = async (
  tx: Transaction,
  id: string,
  was: readonly (typeof message.$inferSelect)['state'][],
  values: Partial<Pick<typeof message.$inferInsert, 'state' | 'note' | 'tries' | 'sealed' | 'settledAt'>>,
) =>
  tx
    .update(message)
    .set(values)
    .where(and(eq(message.id, id), inArray(message.state, [...was])))
    .returning({
      subject: message.subject,
      to: message.toAddress,
      proposalId: message.proposalId,
      kind: message.kind,
    });

/** The oldest letters that no carrier would have. */
export const findFailedLetters = async (tx: Transaction, most: number) =>
  tx
    .select({ id: message.id })
    .from(message)
    .where(eq(message.state, 'failed'))
    .orderBy(message.at)
    .limit(most);

/** How many letters of a company wait, and how many nobody would carry. */
export const countDeliveries = async (tx: Transaction) =>
  (
    await tx
      .select({
        waiting: sql<number>`(count(*) filter (where ${message.state} = 'waiting'))::int`,
        failed: sql<number>`(count(*) filter (where ${message.state} = 'failed'))::int`,
        returned: sql<number>`(count(*) filter (where ${message.state} = 'returned'))::int`,
      })
      .from(message)
  )[0]!;

/** The last letter that a carrier took or would not take: when, and what it said. */
export const findLastDelivery = async (tx: Transaction, carried: boolean) =>
  tx
    .select({ at: message.settledAt, note: message.note, to: message.toAddress })
    .from(message)
    .where(
      and(
        sql`${message.tries} > 0`,
        carried
          ? eq(message.state, 'delivered')
          : sql`${message.note} <> '' and ${message.state} in ('waiting', 'failed')`,
      ),
    )
    .orderBy(sql`coalesce(${message.settledAt}, ${message.at}) desc`)
    .limit(1);
