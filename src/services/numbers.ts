import type { Transaction } from '@/data/connection';
import { findSeriesStart, lastNumber, takeNumber } from '@/data/numbers';
import type { NumberPattern, NumberPatterns } from '@/model';

/** Proposals and agreements are counted on; invoices and credit notes go on, or begin anew each year, as the company says. */
export type Series =
  | 'proposal'
  | 'agreement'
  | 'export'
  | 'invoice'
  | 'credit note'
  | `invoice ${number}`
  | `credit note ${number}`;

/** The series papers of a year are numbered in. */
export const seriesOf = (
  kind: 'invoice' | 'credit note',
  { yearly }: Pick<NumberPattern, 'yearly'>,
  year: number,
): Series => (yearly ? `${kind} ${year}` : kind);

/** How papers of a kind are numbered in a company. */
export const patternOf = (
  kind: 'invoice' | 'credit note',
  { invoice, creditNote }: NumberPatterns,
): NumberPattern => (kind === 'invoice' ? invoice : creditNote);

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
  const [start] = await findSeriesStart(tx, companyId, series);
  return Math.max(row ? row.last + 1 : first(series), start?.next ?? 0);
}
