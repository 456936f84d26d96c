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
    at: sql`(a.at at time zone ${timeZone})::date`,
  },
  id: sql`a.id`,
});
