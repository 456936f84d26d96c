import { sql } from 'drizzle-orm';
import { addressText } from '../words';
import type { ListSource } from '../lists/listQuery';

/**
 * Agreements with what the database sums of them: signed, open, held. Changes and open invoices are summed once for all:
 * asked agreement by agreement they would be looked up three times for every one that is counted.
 */
export const agreementListSource = ({ timeZone }: { readonly timeZone: string }): ListSource => {
  const sum = sql`(a.total + coalesce(ch.total, 0))`;
  const open = sql`coalesce(i.open, 0)`;
  // Money that was never asked for, is open, is held, or is on no invoice.
  const underWay = sql`(${sum} <> coalesce(m.billed, 0) or coalesce(m.held, 0) <> 0
      or coalesce(m.credit, 0) <> 0 or ${open} > 0)`;
  const signed = sql`(a.accepted_at at time zone ${timeZone})::date`;
  return {
    from: sql`agreement a
        join customer c on c.company_id = a.company_id and c.id = a.customer_id
        join site s on s.company_id = a.company_id and s.id = a.site_id
        left join proposal p on p.company_id = a.company_id and p.id = a.proposal_id
        left join app_user u on u.company_id = p.company_id and u.id = p.seller_id
        left join agreement_money m on m.company_id = a.company_id and m.agreement_id = a.id
        left join (select company_id, agreement_id, sum(total) as total from change_order
          group by company_id, agreement_id) ch on ch.company_id = a.company_id and ch.agreement_id = a.id
        left join (select company_id, agreement_id, sum(open) as open from invoice_open where open <> 0
          group by company_id, agreement_id) i on i.company_id = a.company_id and i.agreement_id = a.id`,
    columns: {
      number: sql`a.number`,
      title: sql`a.title`,
      customer: sql`c.name`,
      site: sql`concat_ws(', ', s.address->>'street', s.address->>'city')`,
      seller: sql`u.name`,
      signed: sql`${signed}::text`,
      sum,
      open,
      held: sql`coalesce(m.held, 0)`,
    },
    also: { id: sql`a.id`, customerId: sql`c.id` },
    words: [sql`a.number::text`, sql`a.title`, sql`c.name`, addressText(sql`s.address`)],
    filters: {
      show: (values) =>
        values.length !== 1 ? undefined : values[0] === 'under way' ? underWay : sql`not ${underWay}`,
      seller: sql`p.seller_id`,
      signed,
      sum,
    },
    id: sql`a.id`,
  };
};
