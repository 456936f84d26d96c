import type { Transaction } from './connection';
import { numberSeries } from './schema';
import { sql } from 'drizzle-orm';

/** Takes the next number of a series, which begins with `first`; others wait until the transaction ends. */
export const takeNumber = async (tx: Transaction, companyId: string, series: string, first: number) =>
  tx
    .insert(numberSeries)
    .values({ companyId, series, last: first })
    .onConflictDoUpdate({
      target: [numberSeries.companyId, numberSeries.series],
      set: { last: sql`${numberSeries.last} + 1` },
    })
    .returning({ last: numberSeries.last });
