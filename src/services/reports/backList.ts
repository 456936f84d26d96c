import type { BackList } from '@/formats/csv/backCsv';
import { backCsv } from '@/formats/csv/backCsv';
import type { Actor } from '../actor';
import { readAgreementsBack } from './agreementsBack';
import { readSalesBack } from './salesBack';

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
    const { rows } = await readAgreementsBack(actor, year);
    // Billed is with tax in the row, before tax in its job; the row's goes out.
    return backCsv(
      list,
      rows.map(({ job, ...row }) => ({ ...job, ...row })),
    );
  }
  return backCsv(list, (await readSalesBack(actor, days))[list]);
}
