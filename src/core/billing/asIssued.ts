import type { Amount } from '../number';
import { ZERO } from '../number';
import type { Ledger } from './ledger';
import type { IssuedKind } from './paper';

/** Is a paper due on the day it is issued? A credit note is, and a deposit. */
export const dueAtOnce = (
  { entries }: Pick<Ledger, 'entries'>,
  { kind, entryId }: { readonly kind: IssuedKind; readonly entryId: string | null },
): boolean => kind === 'credit note' || entries.find(({ id }) => id === entryId)?.kind === 'deposit';

/**
 * How much of a customer's credit pays an invoice as it is issued: all of it, up to the total; none on a credit note.
 * @param total of the paper
 * @param credit the customer's, before it
 */
export const creditPutOn = (kind: IssuedKind, total: Amount, credit: Amount): Amount =>
  kind === 'credit note' ? ZERO : credit < total ? credit : total;
