import { sql } from 'drizzle-orm';
import type { ListSource } from '../lists/listQuery';

/** What the jobs of a company cost, entry by entry; one that takes another back stands beside it with its negative. */
export const costListSource = (): ListSource => ({
  from: sql`cost_entry e
      join agreement a on a.company_id = e.company_id and a.id = e.agreement_id
      join customer c on c.company_id = a.company_id and c.id = a.customer_id
      join app_user u on u.company_id = e.company_id and u.id = e.recorded_by
      left join agreement_line l
        on l.company_id = e.company_id and l.agreement_id = e.agreement_id and l.line_id = e.line_id
      left join cost_invoice ci on ci.company_id = e.company_id and ci.cost_id = e.id
      left join invoice i on i.company_id = ci.company_id and i.id = ci.invoice_id
      left join cost_entry back on back.company_id = e.company_id and back.takes_back = e.id`,
  columns: {
    day: sql`e.spent_on::text`,
    what: sql`e.what`,
    agreement: sql`a.title`,
    customer: sql`c.name`,
    for: sql`coalesce(l.description, e.stage, e.cost_code, '')`,
    costCode: sql`coalesce(e.cost_code, l.cost_code, '')`,
    costType: sql`e.cost_type`,
    supplier: sql`e.supplier`,
    hours: sql`e.hours::text`,
    invoice: sql`i.number`,
    by: sql`u.name`,
    amount: sql`e.amount`,
  },
  also: {
    id: sql`e.id`,
    agreementId: sql`a.id`,
    customerId: sql`c.id`,
    invoiceId: sql`i.id`,
    void: sql`(e.takes_back is not null or back.id is not null)`,
  },
  sortBy: { day: sql`(e.spent_on, e.recorded_at)`, hours: sql`e.hours` },
  words: [sql`e.what`, sql`e.supplier`, sql`a.title`, sql`c.name`, sql`coalesce(l.description, '')`],
  filters: {
    costType: sql`e.cost_type`,
    void: (values) =>
      values.length > 1
        ? undefined
        : sql`(e.takes_back is not null or back.id is not null) = ${values.includes('void')}`,
    billed: (values) =>
      values.length > 1 ? undefined : sql`(i.id is not null) = ${values.includes('billed')}`,
    day: sql`e.spent_on`,
    amount: sql`e.amount`,
  },
  id: sql`e.id`,
});
