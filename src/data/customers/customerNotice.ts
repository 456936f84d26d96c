import { sql } from 'drizzle-orm';
import type { CustomerNotice } from '@/model';
import type { Transaction } from '../connection';

/**
 * What must be known of customers, by their ids; of some, or of all. What is open is the sum the database keeps of each
 * invoice; a test holds it equal to what the core makes of their agreements.
 * @param today an invoice is overdue from the day after it is due
 */
export async function noticesOf(
  tx: Transaction,
  today: string,
  customerIds: readonly string[] | null = null,
): Promise<ReadonlyMap<string, CustomerNotice>> {
  const { rows } = await tx.execute<Record<keyof CustomerNotice | 'id', string>>(sql`
    select c.id, case when c.alert then c.internal_note else '' end as alert,
      coalesce(o.open, 0)::text as open, coalesce(o.late, 0)::text as late
    from customer c
      left join (select a.company_id, a.customer_id, sum(i.open) as open,
          sum(i.open) filter (where i.due_on < ${today}::date) as late
        from invoice_open i join agreement a on a.company_id = i.company_id and a.id = i.agreement_id
        where i.open > 0 group by a.company_id, a.customer_id) o
        on o.company_id = c.company_id and o.customer_id = c.id
    ${customerIds === null ? sql`` : sql`where c.id = any(${sql.param([...customerIds])}::uuid[])`}`);
  return new Map(rows.map(({ id, ...notice }) => [id, notice]));
}

const nothing: CustomerNotice = { alert: '', open: '0', late: '0' };

/** The same of one customer. */
export const noticeOf = async (tx: Transaction, today: string, customerId: string): Promise<CustomerNotice> =>
  (await noticesOf(tx, today, [customerId])).get(customerId) ?? nothing;
