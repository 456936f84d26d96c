import { sql } from 'drizzle-orm';
import { addressText, peopleText } from '../words';
import type { ListSource } from '../lists/listQuery';

/** Customers with their sites, and what they have open. */
export const customerListSource = (): ListSource => {
  const ofCustomer = sql`company_id = c.company_id and customer_id = c.id`;
  const proposals = sql`(select count(*)::int from proposal where ${ofCustomer} and agreement_id is null)`;
  const agreements = sql`(select count(*)::int from agreement where ${ofCustomer})`;
  const open = sql`(select coalesce(sum(o.open), 0) from agreement a
      join invoice_open o on o.company_id = a.company_id and o.agreement_id = a.id and o.open <> 0
      where a.company_id = c.company_id and a.customer_id = c.id)`;
  const addresses = sql`(select string_agg(${addressText(sql`s.address`)}, ' ') from site s
      where s.company_id = c.company_id and s.customer_id = c.id)`;
  return {
    from: sql`customer c`,
    columns: {
      name: sql`c.name`,
      contact: sql`c.contact_name`,
      sites: sql`(select coalesce(json_agg(concat_ws(', ', s.address->>'street', s.address->>'city') order by s.created_at), '[]')
          from site s where s.company_id = c.company_id and s.customer_id = c.id)`,
      phone: sql`c.phone`,
      email: sql`c.email`,
      proposals,
      agreements,
      open,
    },
    also: { id: sql`c.id` },
    sortBy: { name: sql`lower(c.name)` },
    words: [
      sql`c.name`,
      sql`c.contact_name`,
      sql`c.email`,
      sql`c.phone`,
      addresses,
      peopleText(sql`p.company_id = c.company_id and p.customer_id = c.id`),
    ],
    filters: {
      with: (values) =>
        sql`(${sql.join(
          values.map((value) =>
            value === 'open'
              ? sql`${open} > 0`
              : value === 'agreement'
                ? sql`${agreements} > 0`
                : sql`${proposals} = 0`,
          ),
          sql` or `,
        )})`,
    },
    id: sql`c.id`,
  };
};
