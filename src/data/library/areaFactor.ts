import type { Transaction } from '../connection';
import { areaFactor } from '../schema';
import { plainPostcode } from '@/core/importing';
import { asc, desc, sql } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertAreaFactor(
  tx: Transaction,
  rows: typeof areaFactor.$inferInsert | readonly (typeof areaFactor.$inferInsert)[],
): Promise<void> {
  await tx.insert(areaFactor).values([rows].flat());
}

/** All area factors, by the beginning of the postal code. */
export const findAreas = async (tx: Transaction) =>
  tx
    .select({
      prefix: areaFactor.prefix,
      name: areaFactor.name,
      material: areaFactor.material,
      labour: areaFactor.labour,
      equipment: areaFactor.equipment,
    })
    .from(areaFactor)
    .orderBy(asc(areaFactor.prefix));

/** Deletes all area factors. */
export const deleteAreas = async (tx: Transaction) => tx.delete(areaFactor);

/** The area factors of a postal code: those of the longest beginning that fits. */
export const findAreaOf = async (tx: Transaction, postcode: string) =>
  tx
    .select()
    .from(areaFactor)
    .where(sql`starts_with(${plainPostcode(postcode)}, ${areaFactor.prefix})`)
    .orderBy(desc(sql`length(${areaFactor.prefix})`))
    .limit(1);
