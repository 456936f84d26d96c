import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { numberSeries } from '@/data/schema';

/** Proposals and agreements are counted on; invoices and credit notes begin anew each year. */
export type Series = 'proposal' | 'agreement' | 'export' | `invoice ${number}` | `credit note ${number}`;

/** Where each series begins. */
const first = (series: Series): number => (series === 'proposal' ? 101 : series === 'agreement' ? 401 : 1);

/**
 * The next number of a series. The row stays locked until the transaction ends, so that numbers have no gap and no
 * double, also when many issue at once. Take it as the last lock of an act.
 */
export async function nextNumber(tx: Transaction, companyId: string, series: Series): Promise<number> {
  const [row] = await tx
    .insert(numberSeries)
    .values({ companyId, series, last: first(series) })
    .onConflictDoUpdate({
      target: [numberSeries.companyId, numberSeries.series],
      set: { last: sql`${numberSeries.last} + 1` },
    })
    .returning({ last: numberSeries.last });
  return row!.last;
}

/** A number as it is printed: 2026-007, and C2026-007 on a credit note. */
export const labelOf = (series: 'invoice' | 'credit note', year: number, number: number): string =>
  `${series === 'credit note' ? 'C' : ''}${year}-${String(number).padStart(3, '0')}`;
