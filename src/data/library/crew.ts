import type { Transaction } from '../connection';
import { crew } from '../schema';
import { asc, eq } from 'drizzle-orm';

/** One row by its id, or none; held until the transaction ends. */
export const lockCrewById = async (tx: Transaction, id: string): Promise<(typeof crew.$inferSelect)[]> =>
  tx.select().from(crew).where(eq(crew.id, id)).for('update');

/** Stores one or several rows. */
export async function insertCrew(
  tx: Transaction,
  rows: typeof crew.$inferInsert | readonly (typeof crew.$inferInsert)[],
): Promise<void> {
  await tx.insert(crew).values([rows].flat());
}

/** Changes columns of one row. */
export async function updateCrew(
  tx: Transaction,
  id: string,
  columns: Partial<typeof crew.$inferInsert>,
): Promise<void> {
  await tx.update(crew).set(columns).where(eq(crew.id, id));
}

/** The crews by name. */
export const findCrews = async (tx: Transaction) =>
  tx
    .select({ id: crew.id, name: crew.name, people: crew.people, equipment: crew.equipment })
    .from(crew)
    .orderBy(asc(crew.name));

/** Deletes a crew; nothing where there is none. */
export const removeCrewRow = async (tx: Transaction, crewId: string) =>
  tx.delete(crew).where(eq(crew.id, crewId)).returning({ name: crew.name });
