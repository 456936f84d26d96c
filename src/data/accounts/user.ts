import type { ListPreferences } from '@/model';
import { asc, eq, inArray, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { user } from '../schema';

/** Changes columns of one row. */
export async function updateUser(
  tx: Transaction,
  id: string,
  columns: Partial<typeof user.$inferInsert>,
): Promise<void> {
  await tx.update(user).set(columns).where(eq(user.id, id));
}

/** What a person keeps of all lists. */
export const findListPreferences = async (tx: Transaction, userId: string) =>
  tx.select({ lists: user.lists }).from(user).where(eq(user.id, userId));

/** What a person keeps of the desk. */
export const findDeskPreferences = async (tx: Transaction, userId: string) =>
  tx.select({ desk: user.desk }).from(user).where(eq(user.id, userId));

/** What some people are called, by name. */
export const findNamesOf = async (tx: Transaction, ids: string[]) =>
  tx.select({ name: user.name }).from(user).where(inArray(user.id, ids)).orderBy(user.name);

/** What a person is called. */
export const findNameOfPerson = async (tx: Transaction, userId: string) =>
  tx.select({ name: user.name }).from(user).where(eq(user.id, userId));

/** Who works for the company, by name. */
export const findPeople = async (tx: Transaction) =>
  tx
    .select({ id: user.id, name: user.name, email: user.email, role: user.role })
    .from(user)
    .orderBy(asc(user.name));

/** Keeps how a person likes a list, over what is kept of it; other lists stay. */
export async function putListPreferences(
  tx: Transaction,
  userId: string,
  list: string,
  preferences: ListPreferences,
): Promise<void> {
  await tx
    .update(user)
    .set({
      lists: sql`jsonb_set(${user.lists}, array[${list}], coalesce(${user.lists}->${list}, '{}') || ${JSON.stringify(preferences)}::jsonb)`,
    })
    .where(eq(user.id, userId));
}
