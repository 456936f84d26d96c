import { sql } from 'drizzle-orm';
import type { ListSource } from '../lists/listQuery';

/** What an act was about, as it is called today; nothing where it has no name. */
const subjectName = sql`coalesce(
  (select p.title from proposal p where p.company_id = a.company_id and p.id = a.subject),
  (select c.name from customer c where c.company_id = a.company_id and c.id = a.subject),
  (select i.label from invoice i where i.company_id = a.company_id and i.id = a.subject),
  (select g.title from agreement g where g.company_id = a.company_id and g.id = a.subject),
  (select t.name from item t where t.company_id = a.company_id and t.id = a.subject),
  (select b.name from bundle b where b.company_id = a.company_id and b.id = a.subject),
  (select u.name from app_user u where u.company_id = a.company_id and u.id = a.subject), '')`;

/**
 * What belongs to a thing: to an agreement its proposal, change orders, invoices and payments, and so to each of them; to
 * anything else itself.
 */
const belongingTo = (id: string) => sql`(
  with asked as (select ${id}::uuid as id),
  root as (select coalesce(
    (select i.agreement_id from invoice i join asked on i.id = asked.id),
    (select p.agreement_id from proposal p join asked on p.id = asked.id),
    (select g.id from agreement g join asked on g.proposal_id = asked.id),
    (select asked.id from asked)) as id)
  select id from root
  union select asked.id from asked
  union select i.id from invoice i join root on i.agreement_id = root.id
  union select y.id from payment y join root on y.agreement_id = root.id
  union select p.id from proposal p join root on p.agreement_id = root.id
  union select g.proposal_id from agreement g join root on g.id = root.id)`;

/** Which page shows what an act was about. */
const subjectKind = sql`case
  when exists (select 1 from agreement g where g.company_id = a.company_id and g.id = a.subject) then 'agreement'
  when exists (select 1 from proposal p where p.company_id = a.company_id and p.id = a.subject) then 'proposal'
  when exists (select 1 from customer c where c.company_id = a.company_id and c.id = a.subject) then 'customer'
  when exists (select 1 from invoice i where i.company_id = a.company_id and i.id = a.subject) then 'invoice'
  when exists (select 1 from item t where t.company_id = a.company_id and t.id = a.subject) then 'item'
  when exists (select 1 from bundle b where b.company_id = a.company_id and b.id = a.subject) then 'bundle' end`;

/** Who did what, when: the record of the company, which nothing is taken out of. */
export const historyListSource = ({ timeZone }: { readonly timeZone: string }): ListSource => ({
  from: sql`audit a left join app_user w on w.company_id = a.company_id and w.id = a.user_id`,
  columns: {
    at: sql`a.at`,
    who: sql`coalesce(w.name, '')`,
    act: sql`a.act`,
    about: subjectName,
  },
  also: { id: sql`a.id`, subject: sql`a.subject`, kind: subjectKind, detail: sql`a.detail` },
  words: [sql`coalesce(w.name, '')`, sql`a.act`, subjectName],
  filters: {
    who: sql`a.user_id`,
    act: sql`a.act`,
    of: ([id]) => sql`a.subject in ${belongingTo(id!)}`,
    at: sql`(a.at at time zone ${timeZone})::date`,
  },
  id: sql`a.id`,
});
