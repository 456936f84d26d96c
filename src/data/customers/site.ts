import type { Transaction } from '../connection';
import { customer, site } from '../schema';
import { and, asc, eq, inArray } from 'drizzle-orm';

/** One row by its id, or none. */
export const siteById = async (tx: Transaction, id: string): Promise<(typeof site.$inferSelect)[]> =>
  tx.select().from(site).where(eq(site.id, id));

/** Stores one or several rows. */
export async function insertSite(
  tx: Transaction,
  rows: typeof site.$inferInsert | readonly (typeof site.$inferInsert)[],
): Promise<void> {
  await tx.insert(site).values([rows].flat());
}

/** The sites of some customers, the first first. */
export const findSitesOfCustomers = async (tx: Transaction, ids: string[]) =>
  tx.select().from(site).where(inArray(site.customerId, ids)).orderBy(asc(site.createdAt));

/** The sites of a customer, the first first. */
export const findSitesOf = async (tx: Transaction, customerId: string) =>
  tx.select().from(site).where(eq(site.customerId, customerId)).orderBy(asc(site.createdAt));

/** Is there this site of this customer? */
export const findSiteOfCustomer = async (
  tx: Transaction,
  place: { readonly siteId: string; readonly customerId: string },
) =>
  tx
    .select({ id: site.id })
    .from(site)
    .where(and(eq(site.id, place.siteId), eq(site.customerId, place.customerId)));

/** The address of a site, and whether its customer pays tax. */
export const findAddressAndExemption = async (tx: Transaction, siteId: string) =>
  tx
    .select({ address: site.address, exempt: customer.taxExempt })
    .from(site)
    .innerJoin(customer, and(eq(customer.companyId, site.companyId), eq(customer.id, site.customerId)))
    .where(eq(site.id, siteId));

/** A site of a customer; held until the transaction ends. */
export const lockSiteOf = async (tx: Transaction, id: string, customerId: string) =>
  tx
    .select()
    .from(site)
    .where(and(eq(site.id, id), eq(site.customerId, customerId)))
    .for('update');

/** Changes columns of a site. */
export async function updateSite(
  tx: Transaction,
  id: string,
  columns: Partial<typeof site.$inferInsert>,
): Promise<void> {
  await tx.update(site).set(columns).where(eq(site.id, id));
}
