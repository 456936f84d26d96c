import { sql } from 'drizzle-orm';
import { beforeCompany } from '../connection';

/** How many things wait in each queue, are done, or were given up, over all companies. */
export const countQueue = () =>
  beforeCompany(
    async (tx) =>
      (
        await tx.execute<{ name: string; state: string; count: number }>(
          sql`select name, state::text as state, count(*)::int as count from pgboss.job
            where name not like E'\\\\_\\\\_%' group by name, state order by name, state`,
        )
      ).rows,
  );
