import { sql } from 'drizzle-orm';
import { addressText } from '../words';
import type { ListSource } from '../lists/listQuery';

/** Proposals with customer, site and seller; change orders are listed at their agreement. */
export const proposalListSource = ({
  today,
  timeZone,
}: {
  readonly today: string;
  readonly timeZone: string;
}): ListSource => {
  const day = (at: ReturnType<typeof sql>) => sql`to_char(${at} at time zone ${timeZone}, 'YYYY-MM-DD')`;
  const site = addressText(sql`s.address`);
  // As the core's stateToday says; a test holds the two equal.
  const state = sql`case when p.state = 'sent' and p.valid_until < ${today} then 'lapsed' else p.state end`;
  const opened = sql`(select max(l.last_opened_at) from link l
      where l.company_id = p.company_id and l.proposal_id = p.id)`;
  return {
    from: sql`proposal p
        join customer c on c.company_id = p.company_id and c.id = p.customer_id
        join site s on s.company_id = p.company_id and s.id = p.site_id
        join app_user u on u.company_id = p.company_id and u.id = p.seller_id`,
    where: sql`p.agreement_id is null`,
    columns: {
      number: sql`p.number`,
      title: sql`p.title`,
      customer: sql`c.name`,
      site: sql`concat_ws(', ', s.address->>'street', s.address->>'city')`,
      seller: sql`u.name`,
      state,
      opened: day(opened),
      validUntil: sql`p.valid_until`,
      created: day(sql`p.created_at`),
      changed: day(sql`p.updated_at`),
      total: sql`p.total`,
    },
    also: { id: sql`p.id`, customerId: sql`c.id` },
    sortBy: { changed: sql`p.updated_at`, created: sql`p.created_at`, opened },
    words: [sql`p.number::text`, sql`p.title`, sql`c.name`, site],
    filters: {
      state,
      seller: sql`p.seller_id`,
      changed: sql`(p.updated_at at time zone ${timeZone})::date`,
      total: sql`p.total`,
    },
    id: sql`p.id`,
  };
};
