import { and, desc, eq, gte, isNotNull, or } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { agreement, customer, invoice, payment } from '@/data/schema';
import { invoiceState } from '@/core/billing';
import { minorDigits, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { Actor } from '../actor';
import { businessDate } from '../actor';
import { paidByInvoice } from '../agreements/money';
import { companyOf } from '../company';

/** How many settled invoices and payments the money page shows; whatever is open always is, and sums are over all. */
const SHOWN = 300;

/** Invoices, newest first, with what is open and late; and the sums of the money page. */
export async function readMoney(actor: Actor) {
  return inCompany(actor.companyId, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const digits = minorDigits(ours.currency);
    const today = businessDate(actor.now, ours.timeZone);
    const rows = await tx
      .select({ invoice, title: agreement.title, agreementNumber: agreement.number, customer: customer.name })
      .from(invoice)
      .innerJoin(
        agreement,
        and(eq(agreement.companyId, invoice.companyId), eq(agreement.id, invoice.agreementId)),
      )
      .innerJoin(
        customer,
        and(eq(customer.companyId, agreement.companyId), eq(customer.id, agreement.customerId)),
      )
      .orderBy(desc(invoice.issuedAt), desc(invoice.id));
    const paid = await paidByInvoice(
      tx,
      rows.map((row) => row.invoice.id),
      digits,
    );
    // All of this month, for its sum, and the newest before it.
    const recent = tx
      .select({ id: payment.id })
      .from(payment)
      .orderBy(desc(payment.recordedAt))
      .limit(SHOWN)
      .as('recent');
    const payments = await tx
      .select({
        id: payment.id,
        amount: payment.amount,
        method: payment.method,
        receivedOn: payment.receivedOn,
        reference: payment.reference,
        customer: customer.name,
        agreementId: payment.agreementId,
      })
      .from(payment)
      .innerJoin(
        customer,
        and(eq(customer.companyId, payment.companyId), eq(customer.id, payment.customerId)),
      )
      .leftJoin(recent, eq(recent.id, payment.id))
      .where(or(gte(payment.receivedOn, `${today.slice(0, 7)}-01`), isNotNull(recent.id)))
      .orderBy(desc(payment.recordedAt));
    const list = rows.map(({ invoice: row, title, agreementNumber, customer: payer }) => {
      const total = parseAmount(row.total, digits);
      const done = paid.get(row.id) ?? sumAmounts([]);
      const open = row.kind === 'credit note' ? sumAmounts([]) : sumAmounts([total, -done as never]);
      return {
        id: row.id,
        kind: row.kind,
        number: row.label,
        what: row.title,
        title,
        agreementId: row.agreementId,
        agreementNumber,
        customer: payer,
        issuedOn: row.issuedOn,
        dueOn: row.dueOn,
        total: row.total,
        paid: writeAmount(done, digits),
        open: writeAmount(open, digits),
        state: row.kind === 'credit note' ? ('issued' as const) : invoiceState(total, done),
        overdue: open > 0n && row.dueOn < today,
        openAmount: open,
      };
    });
    const out = sumAmounts(list.map((row) => row.openAmount));
    const late = sumAmounts(list.filter((row) => row.overdue).map((row) => row.openAmount));
    const received = sumAmounts(
      payments
        .filter((row) => row.receivedOn.startsWith(today.slice(0, 7)))
        .map((row) => parseAmount(row.amount, digits)),
    );
    return {
      currency: ours.currency,
      out: writeAmount(out, digits),
      overdue: writeAmount(late, digits),
      receivedThisMonth: writeAmount(received, digits),
      invoices: list
        .filter((row, i) => i < SHOWN || row.openAmount > 0n)
        .map(({ openAmount: _, ...row }) => row),
      payments: payments.slice(0, SHOWN),
    };
  });
}

export type MoneyPage = Awaited<ReturnType<typeof readMoney>>;
