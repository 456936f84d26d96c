import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { bundle, item } from '../schema';

/** A trade of the library, with how much of it is in use. */
export interface TradeCount {
  readonly trade: string;
  readonly items: number;
  readonly bundles: number;
}

/** The trades of the library by name, with how much there is of each; what is retired does not count. */
export async function tradesOf(tx: Transaction): Promise<TradeCount[]> {
  const { rows } = await tx.execute<{ trade: string; items: number; bundles: number }>(sql`
    select trade, count(*) filter (where not of_bundles)::int as items, count(*) filter (where of_bundles)::int as bundles
    from (select trade, false as of_bundles from ${item} where retired_at is null
          union all select trade, true from ${bundle} where retired_at is null) as everything
    group by trade order by trade`);
  return rows;
}
