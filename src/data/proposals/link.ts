import type { Transaction } from '../connection';
import { link } from '../schema';
import { desc, eq } from 'drizzle-orm';

/** One row by its id, or none. */
export const linkById = async (tx: Transaction, id: string): Promise<(typeof link.$inferSelect)[]> =>
  tx.select().from(link).where(eq(link.id, id));

/** Changes columns of one row. */
export async function updateLink(
  tx: Transaction,
  id: string,
  columns: Partial<typeof link.$inferInsert>,
): Promise<void> {
  await tx.update(link).set(columns).where(eq(link.id, id));
}

/** Stores one or several rows. */
export async function insertLink(
  tx: Transaction,
  rows: typeof link.$inferInsert | readonly (typeof link.$inferInsert)[],
): Promise<void> {
  await tx.insert(link).values([rows].flat());
}

/** When the link to each proposal was opened last. */
export const findOpenings = async (tx: Transaction) =>
  tx.select({ proposalId: link.proposalId, at: link.lastOpenedAt }).from(link);

/** The private links to a proposal, the newest first. */
export const findLinks = async (tx: Transaction, proposalId: string) =>
  tx.select().from(link).where(eq(link.proposalId, proposalId)).orderBy(desc(link.createdAt));

/** Changes columns of all links to a proposal. */
export async function updateLinksOf(
  tx: Transaction,
  proposalId: string,
  columns: Partial<typeof link.$inferInsert>,
): Promise<void> {
  await tx.update(link).set(columns).where(eq(link.proposalId, proposalId));
}
