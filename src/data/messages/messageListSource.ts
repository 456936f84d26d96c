import { sql } from 'drizzle-orm';
import type { ListSource } from '../lists/listQuery';

/** The letters that went out, each with what became of it and whether the private link in it still leads somewhere. */
export const messageListSource = ({
  now,
  timeZone,
}: {
  readonly now: Date;
  readonly timeZone: string;
}): ListSource => ({
  from: sql`message m
      left join proposal p on p.company_id = m.company_id and p.id = m.proposal_id
      left join customer c on c.company_id = m.company_id and c.id = coalesce(p.customer_id, m.customer_id)
      left join link k on k.company_id = m.company_id and k.id = m.link_id`,
  columns: {
    at: sql`m.at`,
    toAddress: sql`m.to_address`,
    customer: sql`coalesce(c.name, '')`,
    subject: sql`m.subject`,
    kind: sql`m.kind`,
    state: sql`m.state`,
  },
  also: {
    id: sql`m.id`,
    body: sql`m.body`,
    note: sql`m.note`,
    proposalId: sql`p.id`,
    proposal: sql`p.title`,
    customerId: sql`c.id`,
    linkId: sql`k.id`,
    linkPurpose: sql`k.purpose`,
    linkOpen: sql`(k.revoked_at is null and k.expires_at > ${now.toISOString()}::timestamptz)`,
  },
  words: [
    sql`m.to_address`,
    sql`m.subject`,
    sql`m.body`,
    sql`coalesce(c.name, '')`,
    sql`coalesce(p.title, '')`,
  ],
  filters: { kind: sql`m.kind`, state: sql`m.state`, at: sql`(m.at at time zone ${timeZone})::date` },
  id: sql`m.id`,
});
