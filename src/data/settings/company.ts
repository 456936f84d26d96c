import { eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { company } from '../schema';

/** The company of the transaction. @param hold `update`: nobody else changes it until the transaction is over */
export async function companyOf(tx: Transaction, companyId: string, hold?: 'update') {
  const asked = tx.select().from(company).where(eq(company.id, companyId));
  const [found] = await (hold ? asked.for(hold) : asked);
  if (!found) throw new Error('The company is gone.');
  return found;
}

/** Keeps a company. */
export async function insertCompany(tx: Transaction, values: typeof company.$inferInsert): Promise<void> {
  await tx.insert(company).values(values);
}

/** Changes columns of one row. */
export async function updateCompany(
  tx: Transaction,
  id: string,
  columns: Partial<typeof company.$inferInsert>,
): Promise<void> {
  await tx.update(company).set(columns).where(eq(company.id, id));
}

/** What a company is called. */
export const findNameOfCompany = async (tx: Transaction, companyId: string) =>
  tx.select({ name: company.name }).from(company).where(eq(company.id, companyId));
