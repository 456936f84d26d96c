import { eq } from 'drizzle-orm';
import type { LoadedAgreement } from '@/core/billing';
import { agreementFrom } from '@/core/billing';
import { noSuch } from '@/model/problem';
import type { Transaction } from '../connection';
import { invoice } from '../schema';
import { agreementRows } from './rows';

/**
 * An agreement as billing needs it.
 *
 * @param lock draws of one agreement are made one after the other; the lock ends with the transaction
 * @throws Problem `no-such-agreement`
 */
export async function loadAgreement(
  tx: Transaction,
  agreementId: string,
  { lock = false } = {},
): Promise<LoadedAgreement> {
  const [rows] = await agreementRows(tx, [agreementId], { lock });
  if (!rows) throw noSuch('agreement');
  return agreementFrom(rows);
}

/** Several agreements, in the order asked for, with as many queries as one takes. */
export const loadAgreements = async (tx: Transaction, ids: readonly string[]): Promise<LoadedAgreement[]> =>
  (await agreementRows(tx, ids, { lock: false })).map(agreementFrom);

/**
 * The agreement of an invoice.
 * @throws Problem `no-such-invoice`
 */
export async function agreementOfInvoice(tx: Transaction, invoiceId: string): Promise<string> {
  const [row] = await tx
    .select({ agreementId: invoice.agreementId })
    .from(invoice)
    .where(eq(invoice.id, invoiceId));
  if (!row) throw noSuch('invoice');
  return row.agreementId;
}
