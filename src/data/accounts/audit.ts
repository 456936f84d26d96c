import type { Transaction } from '../connection';
import { audit } from '../schema';
import { and, eq } from 'drizzle-orm';

/** Who of ours was shown a link. */
export const findWhoWasShown = async (tx: Transaction, linkId: string) =>
  tx
    .selectDistinct({ id: audit.userId })
    .from(audit)
    .where(and(eq(audit.subject, linkId), eq(audit.act, 'link shown')));
