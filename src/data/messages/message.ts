import type { Transaction } from '../connection';
import { message } from '../schema';
import { asc, eq } from 'drizzle-orm';

/** Where the letter with a link in it went first, and when. */
export const findLetterOfLink = async (tx: Transaction, linkId: string) =>
  tx
    .select({ to: message.toAddress, at: message.at })
    .from(message)
    .where(eq(message.linkId, linkId))
    .orderBy(asc(message.at))
    .limit(1);
