import { sql } from 'drizzle-orm';
import type { Transaction } from './connection';

/*
 * Sums over everything a company has billed and received, by the database: exact decimals, however many rows. Row level
 * security keeps them to the company of the transaction.
 */

const rows = async <T extends Record<string, unknown>>(tx: Transaction, query: ReturnType<typeof sql>) =>
  (await tx.execute(query)).rows as T[];

/** What of each invoice is open: its total less what was put on it. */
const openInvoices = sql`
  select i.company_id, i.id, i.due_on, i.total - coalesce(put.sum, 0) as open
  from invoice i
  left join (select invoice_id, sum(amount) as sum from allocation where invoice_id is not null group by invoice_id) put
    on put.invoice_id = i.id
  where i.kind <> 'credit note' and i.total - coalesce(put.sum, 0) > 0`;

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
        from (${openInvoices}) open group by 1`,
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
    sql`select agreement_id as "agreementId", (-sum(amount))::text as sum
        from (select agreement_id, net as amount from invoice_part where kind = 'retainage'
              union all select agreement_id, amount from invoice_part_tax where kind = 'retainage') held
        group by agreement_id having sum(amount) <> 0`,
  );

/** Money and credit notes that are on no invoice, by agreement. */
export const creditByAgreement = (tx: Transaction) =>
  rows<OfAgreement>(
    tx,
    sql`select agreement_id as "agreementId", sum(amount)::text as sum
        from (select agreement_id, amount from payment
              union all select agreement_id, -total from invoice where kind = 'credit note'
              union all select p.agreement_id, -r.amount from payment_reversal r
                join payment p on p.company_id = r.company_id and p.id = r.payment_id
              union all select coalesce(p.agreement_id, c.agreement_id), -a.amount from allocation a
                left join payment p on p.company_id = a.company_id and p.id = a.payment_id
                left join invoice c on c.company_id = a.company_id and c.id = a.credit_note_id) sources
        group by agreement_id having sum(amount) <> 0`,
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
          group by p.agreement_id),
        billed as (
          select agreement_id, sum(amount) as sum
          from (select agreement_id, total as amount from invoice
                union all select agreement_id, -net from invoice_part where kind = 'retainage'
                union all select agreement_id, -amount from invoice_part_tax where kind = 'retainage') papers
          group by agreement_id)
        select due.agreement_id as "agreementId", (due.sum - coalesce(billed.sum, 0))::text as sum
        from due left join billed on billed.agreement_id = due.agreement_id
        where due.sum > coalesce(billed.sum, 0)`,
  );

/** Invoices with something open, those due first; only those due before a day, where one is given. */
export const openInvoiceIds = async (tx: Transaction, before: string | null, most: number) =>
  (
    await rows<{ id: string }>(
      tx,
      sql`select id from (${openInvoices}) open
          ${before === null ? sql`` : sql`where due_on < ${before}::date`}
          order by due_on limit ${most}`,
    )
  ).map(({ id }) => id);
