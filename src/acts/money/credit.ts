import { asc, eq, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { payment, paymentPart } from '@/data/schema';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';

/** What each payment on an agreement left over after the invoices it was put on, oldest first. */
async function leftOver(tx: Transaction, agreementId: string, digits: number) {
  const rows = await tx
    .select({
      id: payment.id,
      amount: payment.amount,
      used: sql<string>`coalesce((select sum(${paymentPart.amount}) from ${paymentPart} where ${paymentPart.companyId} = ${payment.companyId} and ${paymentPart.paymentId} = ${payment.id}), 0)`,
    })
    .from(payment)
    .where(eq(payment.agreementId, agreementId))
    .orderBy(asc(payment.recordedAt), asc(payment.id));
  return rows
    .map(({ id, amount, used }) => ({
      id,
      left: (parseAmount(amount, digits) - parseAmount(used, digits)) as Amount,
    }))
    .filter(({ left }) => left > 0n);
}

/** The customer's credit on an agreement: money received that no invoice has taken yet. */
export async function creditOf(tx: Transaction, agreementId: string, digits: number): Promise<Amount> {
  return sumAmounts((await leftOver(tx, agreementId, digits)).map(({ left }) => left));
}

/** Puts the customer's credit on an invoice just issued, the oldest payment first, up to the invoice's total. */
export async function spendCredit(
  tx: Transaction,
  companyId: string,
  agreementId: string,
  invoice: { readonly id: string; readonly total: Amount },
  digits: number,
): Promise<void> {
  let open: bigint = invoice.total;
  for (const { id: paymentId, left } of await leftOver(tx, agreementId, digits)) {
    if (open <= 0n) return;
    const part = left < open ? left : open;
    open -= part;
    await tx
      .insert(paymentPart)
      .values({ companyId, paymentId, invoiceId: invoice.id, amount: writeAmount(part as Amount, digits) });
  }
}
