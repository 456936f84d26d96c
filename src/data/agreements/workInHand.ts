import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import type { Address } from '@/model';

/** A stage of a job, without what it costs or is billed for. */
export interface WorkStage {
  readonly name: string;
  readonly plannedOn: string | null;
  readonly doneOn: string | null;
  readonly percent: string | null;
  readonly photos: number;
}

/** A job that is not done: where it is and what is to do. No sum. */
export interface WorkInHand extends Record<string, unknown> {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly phone: string;
  readonly address: Address;
  /** For us: the dog, the gate code. */
  readonly siteNote: string;
  readonly stages: readonly WorkStage[];
}

/** Jobs with a stage that is not done, the one planned next first. @param most so many at most */
export const findWorkInHand = async (tx: Transaction, most: number): Promise<WorkInHand[]> =>
  (
    await tx.execute<WorkInHand>(sql`
      select a.id, a.number, a.title, c.name as customer, c.phone, s.address, s.internal_note as "siteNote", st.stages
      from agreement a
      join customer c on c.company_id = a.company_id and c.id = a.customer_id
      join site s on s.company_id = a.company_id and s.id = a.site_id
      join lateral (
        select json_agg(json_build_object('name', g.name, 'plannedOn', g.planned_on, 'doneOn', g.done_on,
            'percent', g.percent::text, 'photos', (select count(*)::int from stage_photo p
              where p.company_id = g.company_id and p.agreement_id = g.agreement_id and p.stage = g.name))
            order by g.position, g.name) as stages,
          min(g.planned_on) filter (where g.done_on is null) as next, bool_or(g.done_on is null) as open
        from agreement_stage g where g.company_id = a.company_id and g.agreement_id = a.id) st on st.open
      order by st.next nulls last, a.number limit ${most}`)
  ).rows;
