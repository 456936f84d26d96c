import { eq, sql } from 'drizzle-orm';
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

/** Whether no company is here yet; who asks is the only one until the transaction is over. */
export async function isFirstCompany(tx: Transaction): Promise<boolean> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext('impegno set-up'))`);
  const { rows } = await tx.execute<{ there: boolean }>(sql`select has_company() as there`);
  return !rows[0]!.there;
}

/** Removes the demo the transaction is in: its companies, and who works for no other. */
export async function removeDemoOf(tx: Transaction): Promise<void> {
  await tx.execute(sql`select remove_demo()`);
}

/** How much has begun in the company: items in use, people who may sign in or are asked to, proposals. */
export async function countBegun(
  tx: Transaction,
): Promise<{ items: number; people: number; proposals: number; numbersSaid: boolean }> {
  const { rows } = await tx.execute<{
    items: number;
    people: number;
    proposals: number;
    numbersSaid: boolean;
  }>(sql`
    select (select count(*)::int from (select 1 from item limit 1) i) as items,
      (select count(*)::int from app_user where disabled_at is null)
        + (select count(*)::int from invitation where accepted_at is null and revoked_at is null) as people,
      (select count(*)::int from (select 1 from proposal limit 1) p) as proposals,
      exists (select 1 from series_start) as "numbersSaid"`);
  return rows[0]!;
}
