import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { company } from '@/data/schema';

/** The company of the transaction. */
export async function companyOf(tx: Transaction, companyId: string) {
  const [found] = await tx.select().from(company).where(eq(company.id, companyId));
  if (!found) throw new Error('The company is gone.');
  return found;
}
