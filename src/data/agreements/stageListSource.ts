import { sql } from 'drizzle-orm';
import { addressText } from '../words';
import type { ListSource } from '../lists/listQuery';

/** The stages of all agreements. How far one is by what is kept is decided in the core; this repeats it for filters. */
export const stageListSource = ({ today }: { readonly today: string }): ListSource => {
  const state = sql`(case when st.done_on is not null then 'done'
    when st.percent is not null then 'under way' else 'not begun' end)`;
  const late = sql`(st.done_on is null and coalesce(st.planned_on < ${today}::date, false))`;
  return {
    from: sql`agreement_stage st
        join agreement a on a.company_id = st.company_id and a.id = st.agreement_id
        join customer c on c.company_id = a.company_id and c.id = a.customer_id
        join site s on s.company_id = a.company_id and s.id = a.site_id
        left join proposal p on p.company_id = a.company_id and p.id = a.proposal_id
        left join app_user u on u.company_id = p.company_id and u.id = p.seller_id
        left join app_user r on r.company_id = st.company_id and r.id = st.reported_by
        left join (select ls.company_id, ls.agreement_id, ls.stage, sum(l.net) as net from line_stage ls
            join agreement_line l on l.company_id = ls.company_id and l.agreement_id = ls.agreement_id
              and l.line_id = ls.line_id
            group by ls.company_id, ls.agreement_id, ls.stage) w
          on w.company_id = st.company_id and w.agreement_id = st.agreement_id and w.stage = st.name
        left join (select company_id, agreement_id, stage, count(*)::int as photos from stage_photo
            group by company_id, agreement_id, stage) f
          on f.company_id = st.company_id and f.agreement_id = st.agreement_id and f.stage = st.name`,
    columns: {
      stage: sql`st.name`,
      number: sql`a.number`,
      agreement: sql`a.title`,
      customer: sql`c.name`,
      site: sql`concat_ws(', ', s.address->>'street', s.address->>'city')`,
      seller: sql`u.name`,
      planned: sql`st.planned_on::text`,
      state,
      percent: sql`(case when st.done_on is not null then 100 else st.percent end)`,
      doneOn: sql`st.done_on::text`,
      reported: sql`st.reported_on::text`,
      reportedBy: sql`r.name`,
      photos: sql`coalesce(f.photos, 0)`,
      agreed: sql`coalesce(w.net, 0)`,
    },
    also: {
      id: sql`concat(st.agreement_id, ':', md5(st.name))`,
      agreementId: sql`a.id`,
      customerId: sql`c.id`,
    },
    // The stages of one agreement stand in their order.
    sortBy: { planned: sql`coalesce(st.done_on, st.planned_on)`, number: sql`(a.number, st.position)` },
    words: [sql`st.name`, sql`a.number::text`, sql`a.title`, sql`c.name`, addressText(sql`s.address`)],
    filters: {
      state: (values) => {
        const states = values.filter((value) => value !== 'late');
        const ofState = states.length === 0 ? sql`false` : sql`${state} in ${states}`;
        return values.includes('late') ? sql`(${late} or ${ofState})` : ofState;
      },
      seller: sql`p.seller_id`,
      planned: sql`st.planned_on`,
      agreed: sql`coalesce(w.net, 0)`,
    },
    id: sql`concat(st.agreement_id, ':', md5(st.name))`,
  };
};
