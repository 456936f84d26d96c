import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { numberSeries } from '@/data/schema';

export type Series = 'proposal' | 'agreement' | 'invoice';

/** Where each series begins. */
const first: Readonly<Record<Series, number>> = { proposal: 101, agreement: 401, invoice: 1001 };

/**
 * The next number of a series. The row stays locked until the transaction ends, so that numbers have no gap and no
 * double, also when many issue at once. Take it as the last lock of an act.
 */
export async function nextNumber(tx: Transaction, companyId: string, series: Series): Promise<number> {
  const [row] = await tx
    .insert(numberSeries)
    .values({ companyId, series, last: first[series] })
    .onConflictDoUpdate({
      target: [numberSeries.companyId, numberSeries.series],
      set: { last: sql`${numberSeries.last} + 1` },
    })
    .returning({ last: numberSeries.last });
  return row!.last;
}
