import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** A row of {@link findSettlements}: amounts as decimal text. */
export interface SettlementRow {
  readonly agreementId: string;
  readonly kind: 'paid' | 'taken back' | 'given';
  readonly paperId: string;
  readonly noteId: string | null;
  readonly amount: string;
  readonly day: string;
}

/**
 * What settled the papers of some agreements, each with its business date. Money counts on the day it came in, but not before its
 * invoice was issued; what became of it later (returned, put elsewhere) on the day it did. A payment that is void counts on no day.
 * @param timeZone where the company works
 */
export async function findSettlements(
  tx: Transaction,
  agreementIds: readonly string[],
  timeZone: string,
): Promise<SettlementRow[]> {
  if (agreementIds.length === 0) return [];
  const { rows } = await tx.execute<Record<keyof SettlementRow, string>>(sql`
    with settled as (
      select a.*, i.agreement_id as invoice_agreement, i.issued_on,
        n.agreement_id as note_agreement, n.credits, p.received_on,
        (a.at at time zone ${timeZone})::date as on_day
      from allocation a
        left join invoice i on i.company_id = a.company_id and i.id = a.invoice_id
        left join invoice n on n.company_id = a.company_id and n.id = a.credit_note_id
        left join payment p on p.company_id = a.company_id and p.id = a.payment_id
      where (i.agreement_id = any(${sql.param([...agreementIds])}::uuid[])
          or n.agreement_id = any(${sql.param([...agreementIds])}::uuid[]))
        and not exists (select from payment_reversal r
          where r.company_id = a.company_id and r.payment_id = a.payment_id and r.kind = 'void'))
    select invoice_agreement as "agreementId", 'paid' as kind, invoice_id as "paperId", null as "noteId",
        amount::text, (case when amount > 0 and payment_id is not null
          then greatest(received_on, issued_on) else on_day end)::text as day
      from settled where invoice_id is not null and (payment_id is not null or credits is distinct from invoice_id)
    union all
    select invoice_agreement, 'taken back', invoice_id, credit_note_id, amount::text, on_day::text
      from settled where invoice_id is not null and credits = invoice_id
    union all
    select note_agreement, 'given', credit_note_id, null, amount::text, on_day::text
      from settled where credit_note_id is not null and credits is distinct from invoice_id`);
  return rows as unknown as SettlementRow[];
}

/** The agreements on which something was issued, paid or given back in a period, by identity. */
export async function agreementsMoved(
  tx: Transaction,
  from: string,
  to: string,
  timeZone: string,
): Promise<string[]> {
  const { rows } = await tx.execute<{ id: string }>(sql`
    select agreement_id as id from invoice where issued_on between ${from}::date and ${to}::date
    union
    select i.agreement_id from allocation a
      join invoice i on i.company_id = a.company_id and i.id in (a.invoice_id, a.credit_note_id)
      left join payment p on p.company_id = a.company_id and p.id = a.payment_id
      where (a.at at time zone ${timeZone})::date between ${from}::date and ${to}::date
        or p.received_on between ${from}::date and ${to}::date
    order by id`);
  return rows.map(({ id }) => id);
}
