import type { Transaction } from '../connection';
import { signing } from '../schema';
import { and, asc, eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertSigning(
  tx: Transaction,
  rows: typeof signing.$inferInsert | readonly (typeof signing.$inferInsert)[],
): Promise<void> {
  await tx.insert(signing).values([rows].flat());
}

/** Rows by their sha256. */
export const signingBySha256 = async (
  tx: Transaction,
  sha256: string,
): Promise<(typeof signing.$inferSelect)[]> => tx.select().from(signing).where(eq(signing.sha256, sha256));

/** What was signed of an agreement, in order. */
export const findSignings = async (tx: Transaction, agreementId: string) =>
  tx.select().from(signing).where(eq(signing.agreementId, agreementId)).orderBy(asc(signing.signedAt));

/** What was signed of an agreement under a seal. */
export const findStatement = async (tx: Transaction, agreementId: string, hash: string) =>
  tx
    .select({ statement: signing.statement })
    .from(signing)
    .where(and(eq(signing.agreementId, agreementId), eq(signing.sha256, hash)));

/** Who signed a change order. */
export const findSigningOfChange = async (tx: Transaction, id: string) =>
  tx
    .select()
    .from(signing)
    .where(and(eq(signing.kind, 'change order'), eq(signing.subject, id)));
