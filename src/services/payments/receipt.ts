import { stillGone } from '@/core/billing';
import { and, asc, eq, sql } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { allocation, invoice, payment, paymentReversal } from '@/data/schema';
import type { Amount } from '@/core/number';
import { moneyOf, sumAmounts, writeAmount } from '@/core/number';
import type { ReceiptPaper } from '@/formats/receiptPaper';
import type { Actor } from '../actor';
import { loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import { Problem } from '../problem';
/** A payment with what it was put on, as its receipt needs it. */
export async function readReceipt(actor: Actor, paymentId: string): Promise<ReceiptPaper> {
  return inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select().from(payment).where(eq(payment.id, paymentId));
    if (!row) throw new Problem(404, 'There is no such payment.');
    const loaded = await loadAgreement(tx, row.agreementId);
    const ours = await companyOf(tx, actor.companyId);
    const reversals = await tx
      .select({ kind: paymentReversal.kind, reason: paymentReversal.reason, amount: paymentReversal.amount })
      .from(paymentReversal)
      .where(eq(paymentReversal.paymentId, paymentId));
    const money = moneyOf(loaded.digits);
    const put = await tx
      .select({ number: invoice.label, title: invoice.title, sum: sql<string>`sum(${allocation.amount})` })
      .from(allocation)
      .innerJoin(
        invoice,
        and(eq(invoice.companyId, allocation.companyId), eq(invoice.id, allocation.invoiceId)),
      )
      .where(eq(allocation.paymentId, paymentId))
      .groupBy(invoice.id, invoice.label, invoice.title, invoice.issuedAt)
      .orderBy(asc(invoice.issuedAt), asc(invoice.label));
    const parts = put
      .map(({ number, title, sum }) => ({
        number,
        title,
        amount: writeAmount(money.parse(sum), loaded.digits),
      }))
      .filter(({ amount }) => money.parse(amount) !== 0n);
    const buyer = loaded.invoices.at(-1)?.buyer;
    const rest = money.parse(row.amount) - sumAmounts(parts.map(({ amount }) => money.parse(amount)));
    return {
      seller: { name: ours.name, address: ours.address, email: ours.email, taxNumber: ours.taxNumber },
      buyer: buyer ?? null,
      agreement: { number: loaded.head.number, title: loaded.head.title },
      currency: loaded.head.currency,
      amount: row.amount,
      method: row.method,
      reference: row.reference,
      receivedOn: row.receivedOn,
      gone: stillGone(reversals),
      parts,
      credit: writeAmount(rest as Amount, loaded.digits),
    };
  });
}
