import { asc, eq, inArray } from 'drizzle-orm';
import type { CustomerPerson } from '@/model/customerPerson';
import type { Transaction } from '../connection';
import { customerPerson } from '../schema';

const columns = {
  id: customerPerson.id,
  name: customerPerson.name,
  role: customerPerson.role,
  email: customerPerson.email,
  phone: customerPerson.phone,
  getsOffers: customerPerson.getsOffers,
  getsInvoices: customerPerson.getsInvoices,
};

/** The people of some customers, each in the order they were put, by the customer. */
export async function peopleOfCustomers(
  tx: Transaction,
  customerIds: readonly string[],
): Promise<ReadonlyMap<string, readonly CustomerPerson[]>> {
  const all = new Map<string, CustomerPerson[]>();
  if (customerIds.length === 0) return all;
  const rows = await tx
    .select({ ...columns, customerId: customerPerson.customerId })
    .from(customerPerson)
    .where(inArray(customerPerson.customerId, [...customerIds]))
    .orderBy(asc(customerPerson.position), asc(customerPerson.id));
  for (const { customerId, ...person } of rows) all.set(customerId, [...(all.get(customerId) ?? []), person]);
  return all;
}

/** The people of one customer, in the order they were put. */
export const peopleOf = async (tx: Transaction, customerId: string): Promise<readonly CustomerPerson[]> =>
  (await peopleOfCustomers(tx, [customerId])).get(customerId) ?? [];

/** Puts a list of people in place of a customer's. */
export async function putPeople(
  tx: Transaction,
  of: { readonly companyId: string; readonly customerId: string },
  people: readonly CustomerPerson[],
): Promise<void> {
  await tx.delete(customerPerson).where(eq(customerPerson.customerId, of.customerId));
  if (people.length > 0)
    await tx
      .insert(customerPerson)
      .values(people.map((person, position) => ({ ...of, ...person, position })));
}
