import type { Transaction } from './connection';
import { numberSeries, seriesStart } from './schema';
import { and, eq, sql } from 'drizzle-orm';

const startOf = (companyId: string, series: string) =>
  sql`coalesce((select ${seriesStart.next} from ${seriesStart} where ${seriesStart.companyId} = ${companyId} and ${seriesStart.series} = ${series}), 0)`;

/**
 * Takes the next number of a series, which begins with `first` or where the company wants it to go on; others wait until the
 * transaction ends.
 */
export const takeNumber = async (tx: Transaction, companyId: string, series: string, first: number) =>
  tx
    .insert(numberSeries)
    .values({ companyId, series, last: sql`greatest(${first}::integer, ${startOf(companyId, series)})` })
    .onConflictDoUpdate({
      target: [numberSeries.companyId, numberSeries.series],
      set: { last: sql`greatest(${numberSeries.last} + 1, ${startOf(companyId, series)})` },
    })
    .returning({ last: numberSeries.last });

/** The last number of a series that was taken, or none; others may take the next meanwhile. */
export const lastNumber = async (tx: Transaction, companyId: string, series: string) =>
  tx
    .select({ last: numberSeries.last })
    .from(numberSeries)
    .where(and(eq(numberSeries.companyId, companyId), eq(numberSeries.series, series)));

/** Where a company wants a series to go on, or nothing. */
export const findSeriesStart = async (tx: Transaction, companyId: string, series: string) =>
  tx
    .select({ next: seriesStart.next })
    .from(seriesStart)
    .where(and(eq(seriesStart.companyId, companyId), eq(seriesStart.series, series)));

/** Says where a series goes on. */
export async function putSeriesStart(
  tx: Transaction,
  companyId: string,
  series: string,
  next: number,
): Promise<void> {
  await tx
    .insert(seriesStart)
    .values({ companyId, series, next })
    .onConflictDoUpdate({ target: [seriesStart.companyId, seriesStart.series], set: { next } });
}
