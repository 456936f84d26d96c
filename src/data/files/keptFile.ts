import type { Transaction } from '../connection';
import { keptFile } from '../schema';
import { and, eq, inArray, sql } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertKeptFile(
  tx: Transaction,
  rows: typeof keptFile.$inferInsert | readonly (typeof keptFile.$inferInsert)[],
): Promise<void> {
  await tx.insert(keptFile).values([rows].flat());
}

/** A kept file of the same content and kind. */
export const findSameFile = async (tx: Transaction, sha256: string, kind: 'picture' | 'plan') =>
  tx
    .select({ id: keptFile.id })
    .from(keptFile)
    .where(and(eq(keptFile.sha256, sha256), eq(keptFile.kind, kind)));

/** A kept file, whole or small, with its media type. */
export const findFileBytes = async (tx: Transaction, small: boolean, id: string) =>
  tx
    .select({ mediaType: keptFile.mediaType, bytes: small ? keptFile.small : keptFile.bytes })
    .from(keptFile)
    .where(eq(keptFile.id, id));

/** Is there this file? */
export const findFileId = async (tx: Transaction, id: string) =>
  tx.select({ id: keptFile.id }).from(keptFile).where(eq(keptFile.id, id));

/** How many bytes some kept files have. */
export const findFileSizes = async (tx: Transaction, ids: readonly string[]): Promise<number[]> =>
  ids.length === 0
    ? []
    : (
        await tx
          .select({ size: sql<number>`octet_length(${keptFile.bytes})` })
          .from(keptFile)
          .where(inArray(keptFile.id, [...ids]))
      ).map(({ size }) => size);
