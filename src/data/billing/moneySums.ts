import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/*
 * Sums over everything a company has billed and received, by the database: exact decimals, however many rows. What would have
 * to be added up from all there ever was is kept by triggers (schema/sums.ts). Row level security keeps them to the company
 * of the transaction.
 */

const rows = async <T extends Record<string, unknown>>(tx: Transaction, query: ReturnType<typeof sql>) =>
  (await tx.execute(query)).rows as T[];

/** How late money is: not yet, or by so many days. */
export type Age = 'not due' | '1 to 30' | '31 to 60' | '61 to 90' | 'over 90';

/** What is billed and not paid, by how late it is. */
export const openByAge = (tx: Transaction, today: string) =>
  rows<{ age: Age; sum: string; count: number }>(
    tx,
    sql`select case when ${today}::date <= due_on then 'not due'
                    when ${today}::date - due_on <= 30 then '1 to 30'
                    when ${today}::date - due_on <= 60 then '31 to 60'
                    when ${today}::date - due_on <= 90 then '61 to 90'
                    else 'over 90' end as age,
               sum(open)::text as sum, count(*)::int as count
        from invoice_open where open > 0 group by 1`,
  );

/** Received from a day on, less what went back in that time. */
export async function receivedSince(tx: Transaction, day: string): Promise<string> {
  const [row] = await rows<{ sum: string }>(
    tx,
    sql`select (coalesce((select sum(amount) from payment where received_on >= ${day}::date), 0)
              - coalesce((select sum(amount) from payment_reversal where happened_on >= ${day}::date), 0)
              - coalesce((select sum(amount) from refund where paid_on >= ${day}::date), 0))::text as sum`,
  );
  return row!.sum;
}

export interface OfAgreement extends Record<string, unknown> {
  readonly agreementId: string;
  readonly sum: string;
}

/** Retainage held, by agreement. */
export const heldByAgreement = (tx: Transaction) =>
  rows<OfAgreement>(
    tx,
    sql`select agreement_id as "agreementId", held::text as sum from agreement_money where held <> 0`,
  );

/** Money and credit notes that are on no invoice, by agreement; of one customer, or of all. */
export const creditByAgreement = (tx: Transaction, customerId: string | null = null) =>
  rows<OfAgreement>(
    tx,
    sql`select agreement_id as "agreementId", credit::text as sum from agreement_money where credit <> 0
        ${customerId === null ? sql`` : sql`and agreement_id in (select id from agreement where customer_id = ${customerId})`}`,
  );

/**
 * What can be billed by the schedules today and is not, by agreement: payments that are due less all that is billed, by
 * whatever path, what is held back in it.
 *
 * @param depositsSignedBy deposits of agreements signed later than this day wait (the customer may cancel)
 */
export const toBillByAgreement = (
  tx: Transaction,
  today: string,
  timeZone: string,
  depositsSignedBy: string,
) =>
  rows<OfAgreement>(
    tx,
    sql`with signed as (
          select company_id, id, (accepted_at at time zone ${timeZone})::date as day from agreement),
        due as (
          select p.agreement_id, sum(p.amount + coalesce(c.sum, 0)) as sum
          from agreement_payment p
          join signed s on s.company_id = p.company_id and s.id = p.agreement_id
          left join (select agreement_id, entry_id, sum(amount) as sum from agreement_payment_change group by 1, 2) c
            on c.agreement_id = p.agreement_id and c.entry_id = p.entry_id
          left join agreement_stage st on st.company_id = p.company_id and st.agreement_id = p.agreement_id
            and p.due->>'on' = 'stage' and st.name = p.due->>'stage'
          where case p.due->>'on'
                  when 'acceptance' then true
                  when 'date' then (p.due->>'date')::date <= ${today}::date
                  when 'days' then s.day + (p.due->>'days')::int <= ${today}::date
                  else st.done_on is not null and st.done_on <= ${today}::date end
            and (p.kind <> 'deposit' or s.day <= ${depositsSignedBy}::date)
          group by p.agreement_id)
        select due.agreement_id as "agreementId", (due.sum - coalesce(billed.billed, 0))::text as sum
        from due left join agreement_money billed on billed.agreement_id = due.agreement_id
        where due.sum > coalesce(billed.billed, 0)`,
  );

/** Invoices with something open, those due first; only those due before a day, where one is given. */
export const openInvoiceIds = async (tx: Transaction, before: string | null, most: number) =>
  (
    await rows<{ id: string }>(
      tx,
      sql`select invoice_id as id from invoice_open
          where open > 0 ${before === null ? sql`` : sql`and due_on < ${before}::date`}
          order by due_on limit ${most}`,
    )
  ).map(({ id }) => id);
