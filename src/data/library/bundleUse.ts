import type { Transaction } from '../connection';
import { bundleUse } from '../schema';
import { eq } from 'drizzle-orm';

/** Deletes the rows of one bundle. */
export async function deleteBundleUseByBundleId(tx: Transaction, bundleId: string): Promise<void> {
  await tx.delete(bundleUse).where(eq(bundleUse.bundleId, bundleId));
}

/** Stores one or several rows. */
export async function insertBundleUse(
  tx: Transaction,
  rows: typeof bundleUse.$inferInsert | readonly (typeof bundleUse.$inferInsert)[],
): Promise<void> {
  await tx.insert(bundleUse).values([rows].flat());
}

/** The bundles that have an item or a bundle in them, directly. */
export const findBundlesUsing = async (tx: Transaction, usedId: string) =>
  tx.selectDistinct({ id: bundleUse.bundleId }).from(bundleUse).where(eq(bundleUse.usedId, usedId));
