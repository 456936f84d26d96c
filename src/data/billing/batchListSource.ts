import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import type { ListSource } from '../lists/listQuery';

const count = (kind: string): SQL =>
  sql`(select count(*)::int from export_item x
    where x.company_id = b.company_id and x.batch_id = b.id and x.kind = ${kind})`;

/** What went to the accountant, batch by batch, with how much of each kind is in it. */
export const batchListSource = (timeZone: string): ListSource => ({
  from: sql`export_batch b join app_user u on u.company_id = b.company_id and u.id = b.made_by`,
  columns: {
    number: sql`b.number`,
    from: sql`b.from_day::text`,
    to: sql`b.to_day::text`,
    invoice: count('invoice'),
    payment: count('payment'),
    reversal: count('reversal'),
    refund: count('refund'),
    madeAt: sql`b.made_at`,
    by: sql`u.name`,
  },
  also: { id: sql`b.id` },
  words: [sql`b.number::text`, sql`u.name`],
  filters: { to: sql`b.to_day`, madeAt: sql`(b.made_at at time zone ${timeZone})::date` },
  id: sql`b.id`,
});
