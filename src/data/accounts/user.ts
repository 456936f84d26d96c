import type { ListPreferences } from '@/model';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { person, role, user } from '../schema';

/** Keeps somebody as one of the company. */
export async function insertUser(tx: Transaction, values: typeof user.$inferInsert): Promise<void> {
  await tx.insert(user).values(values);
}

/** Changes columns of one row. */
export async function updateUser(
  tx: Transaction,
  id: string,
  columns: Partial<typeof user.$inferInsert>,
): Promise<void> {
  await tx.update(user).set(columns).where(eq(user.id, id));
}

/** What a person is in the company, also when they may not sign in any more. */
export const userOfPerson = async (tx: Transaction, personId: string) =>
  tx
    .select({ id: user.id, name: user.name, disabledAt: user.disabledAt })
    .from(user)
    .where(eq(user.personId, personId))
    .for('update');

/** One of the company with their role, held until the transaction is over. */
export const lockUser = async (tx: Transaction, id: string) =>
  tx
    .select({ user, role })
    .from(user)
    .innerJoin(role, and(eq(role.companyId, user.companyId), eq(role.id, user.roleId)))
    .where(eq(user.id, id))
    .for('update', { of: user });

/** What a person keeps of all lists. */
export const findListPreferences = async (tx: Transaction, userId: string) =>
  tx.select({ lists: user.lists }).from(user).where(eq(user.id, userId));

/** What a person keeps of the desk. */
export const findDeskPreferences = async (tx: Transaction, userId: string) =>
  tx.select({ desk: user.desk }).from(user).where(eq(user.id, userId));

/** The hints a person put away. */
export const findHintsAway = (tx: Transaction, userId: string) =>
  tx.select({ away: user.hintsAway }).from(user).where(eq(user.id, userId));

/** The same, held until the transaction is over. */
export const lockHintsAway = async (tx: Transaction, userId: string) =>
  findHintsAway(tx, userId).for('update');

/** What some people are called, by name. */
export const findNamesOf = async (tx: Transaction, ids: string[]) =>
  tx.select({ name: user.name }).from(user).where(inArray(user.id, ids)).orderBy(user.name);

/** What a person is called. */
export const findNameOfPerson = async (tx: Transaction, userId: string) =>
  tx.select({ name: user.name }).from(user).where(eq(user.id, userId));

/** Who works for the company, by name. */
export const findPeople = async (tx: Transaction) =>
  tx
    .select({
      id: user.id,
      name: user.name,
      email: person.email,
      role: role.name,
      roleId: user.roleId,
      disabledAt: user.disabledAt,
      second: sql<boolean>`${person.totpSince} is not null`,
      lastSeenAt: sql<string | null>`(select max(s.last_seen_at) from session s
        where s.company_id = ${user.companyId} and s.user_id = ${user.id})`,
    })
    .from(user)
    .innerJoin(person, eq(person.id, user.personId))
    .innerJoin(role, and(eq(role.companyId, user.companyId), eq(role.id, user.roleId)))
    .orderBy(sql`${user.disabledAt} is not null`, asc(user.name));

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
