import type { Transaction } from './connection';
import { numberSeries } from './schema';
import { and, eq, sql } from 'drizzle-orm';

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

/** The last number of a series that was taken, or none; others may take the next meanwhile. */
export const lastNumber = async (tx: Transaction, companyId: string, series: string) =>
  tx
    .select({ last: numberSeries.last })
    .from(numberSeries)
    .where(and(eq(numberSeries.companyId, companyId), eq(numberSeries.series, series)));
