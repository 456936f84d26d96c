import type { BackList } from '@/formats/csv/reportCsv';
import { reportColumns, reportCsv } from '@/formats/csv/reportCsv';
import { listXlsx } from '@/formats/listFile';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { readAgreementsReport } from './agreementsReport';
import { readSalesReport } from './salesReport';

/** How far is looked back: agreements signed in a year, or proposals sent in the last so many days. */
export interface BackRange {
  readonly year?: number | 'all' | null;
  readonly days?: number;
}

/** A year as an address says it: four digits or `all`; anything else is the last year there is. */
export const yearOf = (text: string | null | undefined): number | 'all' | null =>
  text === 'all' ? text : /^\d{4}$/.test(text ?? '') ? Number(text) : null;

async function rowsOf(
  actor: Actor,
  list: BackList,
  { year = null, days = 365 }: BackRange,
): Promise<readonly object[]> {
  if (list !== 'agreements') return (await readSalesReport(actor, days))[list];
  const { rows } = await readAgreementsReport(actor, year);
  // Billed is with tax in the row, before tax in its job; the row's goes out.
  return rows.map(({ job, ...row }) => ({ ...job, ...row }));
}

/** One list of looking back as CSV. */
export async function backListCsv(actor: Actor, list: BackList, range: BackRange = {}): Promise<string> {
  allow(actor, 'export');
  return reportCsv(list, await rowsOf(actor, list, range));
}

/** The same as an XLSX workbook, numbers as numbers. */
export async function backListXlsx(actor: Actor, list: BackList, range: BackRange = {}): Promise<Buffer> {
  allow(actor, 'export');
  const columns = reportColumns(list);
  const cell = (value: unknown) =>
    typeof value === 'string' || typeof value === 'number' ? String(value) : '';
  const rows = (await rowsOf(actor, list, range)).map((row) =>
    Object.fromEntries(columns.map(({ key }) => [key, cell((row as Record<string, unknown>)[key])])),
  );
  return listXlsx(list, columns, rows);
}
