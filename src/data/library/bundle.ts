import type { Transaction } from '../connection';
import { bundle } from '../schema';
import { and, asc, eq, inArray, isNull } from 'drizzle-orm';

/** One row by its id, or none. */
export const bundleById = async (tx: Transaction, id: string): Promise<(typeof bundle.$inferSelect)[]> =>
  tx.select().from(bundle).where(eq(bundle.id, id));

/** Stores one or several rows. */
export async function insertBundle(
  tx: Transaction,
  rows: typeof bundle.$inferInsert | readonly (typeof bundle.$inferInsert)[],
): Promise<void> {
  await tx.insert(bundle).values([rows].flat());
}

/** One row by its id, or none; held until the transaction ends. */
export const lockBundleById = async (tx: Transaction, id: string): Promise<(typeof bundle.$inferSelect)[]> =>
  tx.select().from(bundle).where(eq(bundle.id, id)).for('update');

/** Changes columns of one row. */
export async function updateBundle(
  tx: Transaction,
  id: string,
  columns: Partial<typeof bundle.$inferInsert>,
): Promise<void> {
  await tx.update(bundle).set(columns).where(eq(bundle.id, id));
}

/** The bundles in use, by trade and code. */
export const findBundlesInUse = async (tx: Transaction) =>
  tx.select().from(bundle).where(isNull(bundle.retiredAt)).orderBy(asc(bundle.trade), asc(bundle.code));

/** Some bundles; held until the transaction ends. */
export const lockBundlesByIds = async (tx: Transaction, ids: string[]) =>
  tx.select().from(bundle).where(inArray(bundle.id, ids)).orderBy(asc(bundle.id)).for('update');

/** Code and name of those of some bundles that are in use. */
export const findBundleNames = async (tx: Transaction, ids: readonly string[]) =>
  tx
    .select({ id: bundle.id, code: bundle.code, name: bundle.name })
    .from(bundle)
    .where(and(isNull(bundle.retiredAt), inArray(bundle.id, [...ids])))
    .orderBy(asc(bundle.code));

/** The codes of all bundles. */
export const findBundleCodes = async (tx: Transaction) => tx.select({ code: bundle.code }).from(bundle);

/** Name and recipe of some bundles. */
export const findRecipes = async (tx: Transaction, wanted: Set<string>) =>
  tx
    .select({ id: bundle.id, name: bundle.name, recipe: bundle.recipe })
    .from(bundle)
    .where(inArray(bundle.id, [...wanted]));
