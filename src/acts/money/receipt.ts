import { and, eq, sql } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { allocation, payment, paymentReversal } from '@/data/schema';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { ReceiptPaper } from '@/formats/receiptPaper';
import type { Actor } from '../actor';
import { loadAgreement } from '../agreements/money';
import { companyOf } from '../company';
import { Problem } from '../problem';

/** A payment with what it was put on, as its receipt needs it. */
export async function readReceipt(actor: Actor, paymentId: string): Promise<ReceiptPaper> {
  return inCompany(actor.companyId, async (tx) => {
    const [row] = await tx.select().from(payment).where(eq(payment.id, paymentId));
    if (!row) throw new Problem(404, 'There is no such payment.');
    const loaded = await loadAgreement(tx, row.agreementId);
    const ours = await companyOf(tx, actor.companyId);
    const [gone] = await tx
      .select({ reason: paymentReversal.reason })
      .from(paymentReversal)
      .where(eq(paymentReversal.paymentId, paymentId));
    const put = await tx
      .select({ invoiceId: allocation.invoiceId, sum: sql<string>`sum(${allocation.amount})` })
      .from(allocation)
      .where(and(eq(allocation.paymentId, paymentId)))
      .groupBy(allocation.invoiceId);
    const money = (text: string) => parseAmount(text, loaded.digits);
    const parts = loaded.invoices.flatMap((invoice) => {
      const found = put.find(({ invoiceId }) => invoiceId === invoice.id);
      const amount = found ? money(found.sum) : 0n;
      return amount === 0n
        ? []
        : [
            {
              number: invoice.label,
              title: invoice.title,
              amount: writeAmount(amount as Amount, loaded.digits),
            },
          ];
    });
    const buyer = loaded.invoices.at(-1)?.buyer;
    const rest = money(row.amount) - sumAmounts(parts.map(({ amount }) => money(amount)));
    return {
      seller: { name: ours.name, address: ours.address, email: ours.email, taxNumber: ours.taxNumber },
      buyer: buyer ?? null,
      agreement: { number: loaded.head.number, title: loaded.head.title },
      currency: loaded.head.currency,
      amount: row.amount,
      method: row.method,
      reference: row.reference,
      receivedOn: row.receivedOn,
      wentBack: gone?.reason ?? null,
      parts,
      credit: writeAmount(rest as Amount, loaded.digits),
    };
  });
}
