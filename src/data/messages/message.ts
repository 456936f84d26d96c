import type { Transaction } from '../connection';
import { message } from '../schema';
import { and, asc, eq, gt } from 'drizzle-orm';

/** Where the letter with a link in it went first, and when. */
export const findLetterOfLink = async (tx: Transaction, linkId: string) =>
  tx
    .select({ to: message.toAddress, at: message.at })
    .from(message)
    .where(eq(message.linkId, linkId))
    .orderBy(asc(message.at))
    .limit(1);

/** Whether a customer got a letter of a kind and subject since an instant. */
export const wasSentSince = async (
  tx: Transaction,
  {
    customerId,
    kind,
    subject,
  }: { readonly customerId: string; readonly kind: string; readonly subject: string },
  since: Date,
): Promise<boolean> =>
  (await tx.$count(
    message,
    and(
      eq(message.customerId, customerId),
      eq(message.kind, kind),
      eq(message.subject, subject),
      gt(message.at, since),
    ),
  )) > 0;
