import { and, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { allocation, invoice, payment } from '../schema';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import { businessDate } from '@/core/calendar';
import { wayOf } from '@/core/text/names';
import { groupBy } from '@/core/collections/groupBy';

/** What an invoice is paid with: a payment, or a credit note. What was put on and taken off again is left out. */
export async function settledWith(tx: Transaction, invoiceId: string, digits: number, timeZone: string) {
  const rows = await tx
    .select({
      paymentId: allocation.paymentId,
      creditNoteId: allocation.creditNoteId,
      amount: allocation.amount,
      at: allocation.at,
      method: payment.method,
      methodName: payment.methodName,
      receivedOn: payment.receivedOn,
      reference: payment.reference,
      note: invoice.label,
    })
    .from(allocation)
    .leftJoin(payment, and(eq(payment.companyId, allocation.companyId), eq(payment.id, allocation.paymentId)))
    .leftJoin(
      invoice,
      and(eq(invoice.companyId, allocation.companyId), eq(invoice.id, allocation.creditNoteId)),
    )
    .where(eq(allocation.invoiceId, invoiceId));
  return [...groupBy(rows, ({ paymentId, creditNoteId }) => paymentId ?? creditNoteId!).values()]
    .map((parts) => {
      const [{ paymentId, creditNoteId, method, methodName, receivedOn, reference, note, at }] = parts as [
        (typeof parts)[number],
      ];
      return {
        paymentId,
        creditNoteId,
        what: method === null ? `credit note ${note}` : wayOf({ method, methodName }),
        reference: reference ?? '',
        on: receivedOn ?? businessDate(at, timeZone),
        amount: sumAmounts(parts.map(({ amount }) => parseAmount(amount, digits))),
      };
    })
    .filter(({ amount }) => amount !== 0n)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
    .map((row) => ({ ...row, amount: writeAmount(row.amount, digits) }));
}
