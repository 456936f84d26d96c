import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/**
 * Everything of an agreement `a` (with its money `m`) that moves while a page of it lies open, at the desk and at the
 * customer’s: text that is another when any of it is.
 */
export const agreementMoves = sql`concat_ws(' ', a.id, m.billed, m.held, m.credit,
  (select sum(o.open) from invoice_open o join invoice i on i.company_id = o.company_id and i.id = o.invoice_id
    where i.agreement_id = a.id),
  (select count(*) from card_event e join card_charge g on g.company_id = e.company_id and g.id = e.charge_id
    join invoice i on i.company_id = g.company_id and i.id = g.invoice_id where i.agreement_id = a.id),
  (select count(*) || ' ' || max(s.updated_at) from selection_round s where s.agreement_id = a.id),
  (select count(*) from selection s where s.agreement_id = a.id),
  (select count(*) from change_order o where o.agreement_id = a.id))`;

/** A mark of what the page of an agreement shows at the desk: another when any of it changed; null where there is none. */
export async function findMarkOfAgreement(tx: Transaction, agreementId: string): Promise<string | null> {
  const { rows } = await tx.execute<{ mark: string }>(sql`
    select md5(concat_ws(' ', ${agreementMoves},
      (select c.name from customer c where c.company_id = a.company_id and c.id = a.customer_id),
      (select s.address::text from site s where s.company_id = a.company_id and s.id = a.site_id),
      (select count(*) from payment p where p.agreement_id = a.id),
      (select count(*) from payment_reversal r join payment p on p.company_id = r.company_id and p.id = r.payment_id
        where p.agreement_id = a.id),
      (select count(*) from refund r where r.agreement_id = a.id),
      (select max(d.saved_at) from invoice_draft d where d.agreement_id = a.id),
      (select count(*) || ' ' || coalesce(sum(c.amount), 0) from cost_entry c where c.agreement_id = a.id),
      (select md5(string_agg(s::text, ' ' order by s::text)) from agreement_stage s where s.agreement_id = a.id),
      (select md5(string_agg(f::text, ' ' order by f::text)) from stage_photo f where f.agreement_id = a.id),
      (select md5(string_agg(s::text, ' ' order by s::text)) from line_stage s where s.agreement_id = a.id),
      (select count(*) || ' ' || max(x.updated_at) from proposal x where x.agreement_id = a.id))) as mark
    from agreement a left join agreement_money m on m.company_id = a.company_id and m.agreement_id = a.id
    where a.id = ${agreementId}`);
  return rows[0]?.mark ?? null;
}
