import type { Transaction } from '../connection';
import { labourRate } from '../schema';
import { asc, eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertLabourRate(
  tx: Transaction,
  rows: typeof labourRate.$inferInsert | readonly (typeof labourRate.$inferInsert)[],
): Promise<void> {
  await tx.insert(labourRate).values([rows].flat());
}

/** One row by its id, or none; held until the transaction ends. */
export const lockLabourRateById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof labourRate.$inferSelect)[]> =>
  tx.select().from(labourRate).where(eq(labourRate.id, id)).for('update');

/** Changes columns of one row. */
export async function updateLabourRate(
  tx: Transaction,
  id: string,
  columns: Partial<typeof labourRate.$inferInsert>,
): Promise<void> {
  await tx.update(labourRate).set(columns).where(eq(labourRate.id, id));
}

/** The labor rates by name. */
export const findRates = async (tx: Transaction) =>
  tx
    .select({
      id: labourRate.id,
      name: labourRate.name,
      normal: labourRate.normal,
      overtime: labourRate.overtime,
      day: labourRate.day,
    })
    .from(labourRate)
    .orderBy(asc(labourRate.name));
