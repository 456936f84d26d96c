import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** The acts that stand in the record of the company, by name. */
export const findActs = async (tx: Transaction): Promise<readonly string[]> =>
  (
    await tx.execute<{ act: string }>(sql`
      with recursive acts as (
        (select act from audit order by company_id, act limit 1)
        union all
        select (select a.act from audit a where a.act > acts.act order by a.company_id, a.act limit 1)
          from acts where acts.act is not null)
      select act from acts where act is not null`)
  ).rows.map(({ act }) => act);
