import type { Transaction } from '@/data/connection';
import { lastNumber, takeNumber } from '@/data/numbers';

/** Proposals and agreements are counted on; invoices and credit notes begin anew each year. */
export type Series = 'proposal' | 'agreement' | 'export' | `invoice ${number}` | `credit note ${number}`;

/** Where each series begins. */
const first = (series: Series): number => (series === 'proposal' ? 101 : series === 'agreement' ? 401 : 1);

/**
 * The next number of a series. The row stays locked until the transaction ends, so that numbers have no gap and no
 * double, also when many issue at once. Take it as the last lock of an act.
 */
export async function nextNumber(tx: Transaction, companyId: string, series: Series): Promise<number> {
  const [row] = await takeNumber(tx, companyId, series, first(series));
  return row!.last;
}

/** The number that would be taken next, as things stand now: to be shown, not to be kept. */
export async function numberToCome(tx: Transaction, companyId: string, series: Series): Promise<number> {
  const [row] = await lastNumber(tx, companyId, series);
  return row ? row.last + 1 : first(series);
}

/** A number as it is printed: 2026-007, and C2026-007 on a credit note. */
export const labelOf = (series: 'invoice' | 'credit note', year: number, number: number): string =>
  `${series === 'credit note' ? 'C' : ''}${year}-${String(number).padStart(3, '0')}`;
