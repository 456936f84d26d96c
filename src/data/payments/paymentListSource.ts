import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { payment, refund } from '../schema';
import type { ListSource } from '../lists/listQuery';

/** Payments, those returned or void, and refunds, as one list of money in and out. */
export const paymentListSource = (): ListSource => ({
  from: sql`(
        select id, company_id, customer_id, agreement_id, 'payment' as kind, method, method_name, amount, received_on as day,
          reference as text, recorded_at from payment
        union all
        select r.id, r.company_id, p.customer_id, p.agreement_id,
          case when r.amount < 0 then 'reinstated' else r.kind end, p.method, p.method_name, -r.amount, r.happened_on, r.reason,
          r.recorded_at
        from payment_reversal r join payment p on p.company_id = r.company_id and p.id = r.payment_id
        union all
        select id, company_id, customer_id, agreement_id, 'refund', method, method_name, -amount, paid_on, reference, recorded_at
        from refund) m
      join customer c on c.company_id = m.company_id and c.id = m.customer_id
      join agreement a on a.company_id = m.company_id and a.id = m.agreement_id`,
  columns: {
    day: sql`m.day::text`,
    customer: sql`c.name`,
    agreement: sql`a.title`,
    kind: sql`m.kind`,
    method: sql`m.method`,
    methodName: sql`m.method_name`,
    text: sql`m.text`,
    amount: sql`m.amount`,
  },
  also: { id: sql`m.id`, customerId: sql`c.id`, agreementId: sql`a.id` },
  sortBy: { day: sql`(m.day, m.recorded_at)` },
  words: [sql`c.name`, sql`a.title`, sql`m.text`],
  filters: {
    kind: sql`m.kind`,
    method: sql`coalesce(m.method_name, m.method)`,
    day: sql`m.day`,
    amount: sql`m.amount`,
  },
  id: sql`m.id`,
});

/** The names of a company's own that money came or went by, as they are kept with it. */
export const ownMethodsUsed = async (tx: Transaction): Promise<string[]> => {
  const { rows } = await tx.execute<{ name: string }>(sql`
    select method_name as name from ${payment} where method_name is not null
    union select method_name from ${refund} where method_name is not null order by 1`);
  return rows.map(({ name }) => name);
};
