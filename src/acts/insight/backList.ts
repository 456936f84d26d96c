import type { BackList } from '@/formats/csv/backCsv';
import { backCsv } from '@/formats/csv/backCsv';
import type { Actor } from '../actor';
import { readAgreementsBack, readSalesBack } from './back';

/** One list of looking back as CSV. */
export async function backListCsv(actor: Actor, list: BackList, days: number): Promise<string> {
  if (list === 'agreements') {
    const { rows } = await readAgreementsBack(actor);
    // Billed is with tax in the row, before tax in its job; the row's goes out.
    return backCsv(
      list,
      rows.map(({ job, ...row }) => ({ ...job, ...row })),
    );
  }
  return backCsv(list, (await readSalesBack(actor, days))[list]);
}
