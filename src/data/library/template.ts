import type { Transaction } from '../connection';
import { template } from '../schema';
import { asc, eq } from 'drizzle-orm';

/** Stores one or several rows. */
export async function insertTemplate(
  tx: Transaction,
  rows: typeof template.$inferInsert | readonly (typeof template.$inferInsert)[],
): Promise<void> {
  await tx.insert(template).values([rows].flat());
}

/** One row by its id, or none. */
export const templateById = async (tx: Transaction, id: string): Promise<(typeof template.$inferSelect)[]> =>
  tx.select().from(template).where(eq(template.id, id));

/** The templates by name, without their documents. */
export const findTemplates = async (tx: Transaction) =>
  tx
    .select({ id: template.id, name: template.name, about: template.about })
    .from(template)
    .orderBy(asc(template.name));

/** A template by its name. */
export const findTemplateNamed = async (tx: Transaction, name: string) =>
  tx.select({ id: template.id }).from(template).where(eq(template.name, name.trim()));
