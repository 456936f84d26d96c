import type { BackList } from '@/formats/csv/reportCsv';
import { reportCsv } from '@/formats/csv/reportCsv';
import type { Actor } from '../actor';
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

/** One list of looking back as CSV. */
export async function backListCsv(
  actor: Actor,
  list: BackList,
  { year = null, days = 365 }: BackRange = {},
): Promise<string> {
  if (list === 'agreements') {
    const { rows } = await readAgreementsReport(actor, year);
    // Billed is with tax in the row, before tax in its job; the row's goes out.
    return reportCsv(
      list,
      rows.map(({ job, ...row }) => ({ ...job, ...row })),
    );
  }
  return reportCsv(list, (await readSalesReport(actor, days))[list]);
}
