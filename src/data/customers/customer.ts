import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { addressText, hasWords, peopleText } from '../words';
import { customer, site } from '../schema';
import type { Transaction } from '../connection';

/** One row by its id, or none. */
export const customerById = async (tx: Transaction, id: string): Promise<(typeof customer.$inferSelect)[]> =>
  tx.select().from(customer).where(eq(customer.id, id));

/** Rows by their ids. */
export const customersByIds = async (
  tx: Transaction,
  ids: readonly string[],
): Promise<(typeof customer.$inferSelect)[]> =>
  ids.length === 0
    ? []
    : tx
        .select()
        .from(customer)
        .where(inArray(customer.id, [...ids]));

/** One row by its id, or none; held until the transaction ends. */
export const lockCustomerById = async (
  tx: Transaction,
  id: string,
): Promise<(typeof customer.$inferSelect)[]> =>
  tx.select().from(customer).where(eq(customer.id, id)).for('update');

/** Changes columns of one row. */
export async function updateCustomer(
  tx: Transaction,
  id: string,
  columns: Partial<typeof customer.$inferInsert>,
): Promise<void> {
  await tx.update(customer).set(columns).where(eq(customer.id, id));
}

/** Stores one or several rows. */
export async function insertCustomer(
  tx: Transaction,
  rows: typeof customer.$inferInsert | readonly (typeof customer.$inferInsert)[],
): Promise<void> {
  await tx.insert(customer).values([rows].flat());
}

/** Customers whose name, contact, mail address, people or site has all the words, by name; or the one of an id. */
export async function findCustomers(
  tx: Transaction,
  { words, id, most }: { readonly words: string; readonly id?: string | undefined; readonly most: number },
) {
  // Named in full: within the sub-select a bare column would be the site's.
  const addresses = sql`(select string_agg(${addressText(sql`s.address`)}, ' ') from ${site} s
    where s.company_id = ${customer}.company_id and s.customer_id = ${customer}.id)`;
  const people = peopleText(sql`p.company_id = ${customer}.company_id and p.customer_id = ${customer}.id`);
  return tx
    .select()
    .from(customer)
    .where(
      id === undefined
        ? and(
            isNull(customer.forgottenAt),
            hasWords(words, customer.name, customer.contactName, customer.email, addresses, people),
          )
        : eq(customer.id, id),
    )
    .orderBy(asc(customer.name), asc(customer.id))
    .limit(most);
}
