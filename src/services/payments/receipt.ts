import { stillGone } from '@/core/billing';
import { inCompany } from '@/data/connection';
import type { Amount } from '@/core/number';
import { moneyOf, sumAmounts, writeAmount } from '@/core/number';
import type { ReceiptPaper } from '@/formats/receiptPaper';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import { noSuch } from '../problem';
import { paymentById } from '@/data/payments/payment';
import { paymentReversalByPaymentId } from '@/data/payments/paymentReversal';
import { findInvoicesOfPayment } from '@/data/payments/allocation';
/**
 * A payment with what it was put on, as its receipt needs it.
 * @throws Problem `no-such-payment`
 */
export async function readReceipt(actor: Actor, paymentId: string): Promise<ReceiptPaper> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const [row] = await paymentById(tx, paymentId);
    if (!row) throw noSuch('payment');
    const loaded = await loadAgreement(tx, row.agreementId);
    const ours = await companyOf(tx, actor.companyId);
    const reversals = await paymentReversalByPaymentId(tx, paymentId);
    const money = moneyOf(loaded.digits);
    const put = await findInvoicesOfPayment(tx, paymentId);
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
      methodName: row.methodName,
      reference: row.reference,
      receivedOn: row.receivedOn,
      gone: stillGone(reversals),
      parts,
      credit: writeAmount(rest as Amount, loaded.digits),
    };
  });
}
