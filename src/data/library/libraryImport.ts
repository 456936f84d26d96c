import type { Transaction } from '../connection';
import { libraryImport } from '../schema';
import { and, eq, inArray, lt, sql } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertLibraryImport(
  tx: Transaction,
  rows: typeof libraryImport.$inferInsert | readonly (typeof libraryImport.$inferInsert)[],
): Promise<void> {
  await tx.insert(libraryImport).values([rows].flat());
}

/** One row by its id, or none. */
export const libraryImportById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof libraryImport.$inferSelect)[]> =>
  tx.select().from(libraryImport).where(eq(libraryImport.id, id));

/** Deletes one row. */
export async function deleteLibraryImport(tx: Transaction, id: string): Promise<void> {
  await tx.delete(libraryImport).where(eq(libraryImport.id, id));
}

/** Deletes imports nobody came back to. */
export const deleteOldImports = async (tx: Transaction, now: Date, KEPT: number) =>
  tx.delete(libraryImport).where(lt(libraryImport.at, new Date(now.getTime() - KEPT)));

/** Lets one import of a company be applied at a time. */
export const lockImports = async (tx: Transaction, companyId: string) =>
  tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`import ${companyId}`}))`);

/** Deletes an import of a person. */
export const deleteOwnImport = async (tx: Transaction, importId: string, userId: string) =>
  tx
    .delete(libraryImport)
    .where(and(eq(libraryImport.id, importId), inArray(libraryImport.userId, [userId])));
