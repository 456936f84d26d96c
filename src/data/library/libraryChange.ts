import type { Transaction } from '../connection';
import { libraryChange, user } from '../schema';
import { desc, eq, sql } from 'drizzle-orm';

/** Stores one row. */
export async function insertLibraryChange(
  tx: Transaction,
  row: typeof libraryChange.$inferInsert,
): Promise<void> {
  await tx.insert(libraryChange).values(row);
}

/** One row by its id, or none; held until the transaction ends. */
export const lockLibraryChange = async (tx: Transaction, id: string) =>
  tx.select().from(libraryChange).where(eq(libraryChange.id, id)).for('update');

/** Says that a change is taken back. */
export async function markUndone(tx: Transaction, id: string, at: Date): Promise<void> {
  await tx.update(libraryChange).set({ undoneAt: at }).where(eq(libraryChange.id, id));
}

/** The changes of several made last, the newest first, without what each entry had. */
export const findLibraryChanges = async (tx: Transaction, most: number) =>
  tx
    .select({
      id: libraryChange.id,
      at: libraryChange.at,
      by: user.name,
      says: libraryChange.says,
      count: sql<number>`jsonb_array_length(${libraryChange.entries})`,
      undoneAt: libraryChange.undoneAt,
    })
    .from(libraryChange)
    .leftJoin(user, eq(user.id, libraryChange.userId))
    .orderBy(desc(libraryChange.at), desc(libraryChange.id))
    .limit(most);
