import { sql } from 'drizzle-orm';
import type { ListSource } from '../lists/listQuery';

/** Everything issued; what is open is the sum the database keeps. */
export const invoiceListSource = ({ today }: { readonly today: string }): ListSource => ({
  from: sql`invoice i
      join agreement a on a.company_id = i.company_id and a.id = i.agreement_id
      join customer c on c.company_id = a.company_id and c.id = a.customer_id
      left join invoice_open o on o.company_id = i.company_id and o.invoice_id = i.id`,
  columns: {
    number: sql`i.label`,
    what: sql`i.title`,
    agreement: sql`a.title`,
    customer: sql`c.name`,
    issued: sql`i.issued_on::text`,
    due: sql`i.due_on::text`,
    total: sql`i.total`,
    open: sql`coalesce(o.open, 0)`,
  },
  also: {
    id: sql`i.id`,
    kind: sql`i.kind`,
    agreementId: sql`a.id`,
    agreementNumber: sql`a.number`,
  },
  sortBy: { issued: sql`i.issued_at`, due: sql`i.due_on` },
  words: [sql`i.label`, sql`i.title`, sql`a.title`, sql`c.name`],
  filters: {
    state: (values) =>
      sql`(${sql.join(
        values.map((value) =>
          value === 'outstanding'
            ? sql`o.open > 0`
            : value === 'overdue'
              ? sql`(o.open > 0 and i.due_on < ${today}::date)`
              : sql`coalesce(o.open, 0) <= 0`,
        ),
        sql` or `,
      )})`,
    kind: sql`i.kind`,
    issued: sql`i.issued_on`,
    due: sql`i.due_on`,
    total: sql`i.total`,
  },
  id: sql`i.id`,
});
