import { and, desc, eq, gte, isNotNull, or } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { agreement, customer, invoice, payment } from '@/data/schema';
import { billedLines, invoiceState } from '@/core/billing';
import { minorDigits, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { Actor } from '../actor';
import { businessDate } from '../actor';
import { loadAgreement, paidByInvoice } from '../agreements/money';
import { mustBe } from '../agreements/read';
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
      .orderBy(desc(invoice.number));
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
      const open = sumAmounts([total, -done as never]);
      return {
        id: row.id,
        number: row.number,
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
        state: invoiceState(total, done),
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

/** An invoice with everything its papers need, inside a transaction. */
export async function invoicePaper(tx: Transaction, invoiceId: string) {
  const row = mustBe(
    (await tx.select().from(invoice).where(eq(invoice.id, invoiceId)))[0],
    'There is no such invoice.',
  );
  const loaded = await loadAgreement(tx, row.agreementId);
  const money = (value: bigint) => writeAmount(value as never, loaded.digits);
  const drawn = new Map(
    loaded.draws.filter((each) => each.invoiceId === invoiceId).map((each) => [each.lineId, each]),
  );
  const paid = loaded.invoices.find(({ id }) => id === invoiceId)!.paid;
  const billedBefore = parseAmount(row.billedBefore, loaded.digits);
  const total = parseAmount(row.total, loaded.digits);
  // An issued invoice never changes: change orders signed after it are none of its sum.
  const contractSum = sumAmounts([
    parseAmount(loaded.head.total, loaded.digits),
    ...loaded.changes.filter(({ acceptedAt }) => acceptedAt <= row.issuedAt).map(({ amount }) => amount),
  ]);
  return {
    id: row.id,
    number: String(row.number),
    title: row.title,
    issuedOn: row.issuedOn,
    dueOn: row.dueOn,
    currency: loaded.head.currency,
    seller: row.seller,
    buyer: row.buyer,
    agreement: {
      id: loaded.head.id,
      number: loaded.head.number,
      title: loaded.head.title,
    },
    lines: billedLines(
      loaded.lines.flatMap((line) => {
        const found = drawn.get(line.id);
        return found ? [{ line, net: found.net, taxes: found.taxes }] : [];
      }),
    ).map((line) => ({
      id: line.id,
      section: line.section,
      description: line.description,
      taxClass: line.taxClass,
      agreed: money(line.agreed),
      net: money(line.net),
      taxes: line.taxes.map(money),
    })),
    components: loaded.components.map(({ key, taxClass, name, percent }, i) => ({
      key,
      taxClass,
      name,
      percent,
      amount: money(sumAmounts([...drawn.values()].map((each) => each.taxes[i]!))),
    })),
    net: row.net,
    tax: row.tax,
    total: row.total,
    paid: money(paid),
    open: money(total - paid),
    state: invoiceState(total, paid),
    contractSum: money(contractSum),
    billedBefore: row.billedBefore,
    leftAfter: money(contractSum - billedBefore - total),
  };
}

export type InvoicePaper = Awaited<ReturnType<typeof invoicePaper>>;

/** One invoice for the desk. */
export async function readInvoice(actor: Actor, invoiceId: string): Promise<InvoicePaper> {
  return inCompany(actor.companyId, (tx) => invoicePaper(tx, invoiceId));
}
