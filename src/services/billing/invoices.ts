import { desc, inArray } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { agreementOf, customerOfAgreement } from '@/data/joins';
import type { Age, OfAgreement } from '@/data/billing/moneySums';
import {
  creditByAgreement,
  heldByAgreement,
  openByAge,
  openInvoiceIds,
  receivedSince,
  toBillByAgreement,
} from '@/data/billing/moneySums';
import { agreement, customer, invoice } from '@/data/schema';
import { hasWords } from '@/data/words';
import { standingsByInvoice } from '@/data/billing/settled';
import { isOverdue } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, minorDigits, moneyOf, sumAmounts, writeAmount } from '@/core/number';
import { lastDaySignedToBill } from '@/core/schedule';
import type { Actor } from '../actor';
import { businessDate } from '../actor';
import { companyOf } from '@/data/settings/company';
import { movedRows } from '@/data/payments/moneyRows';

/** What the money page lists: every figure opens what it is made of. */
export const moneyLists = ['all', 'to-bill', 'out', 'overdue', 'received', 'held', 'credit'] as const;
export type MoneyList = (typeof moneyLists)[number];

/** How many rows a list has at most; sums are over all. */
export const SHOWN = 300;

const ages: readonly Age[] = ['not due', '1 to 30', '31 to 60', '61 to 90', 'over 90'];

/**
 * The sums of the money page, and one of its lists.
 *
 * @param search narrows the list of all: words that number, work, customer or reference have
 */
export async function loadMoneyPage(actor: Actor, list: MoneyList = 'all', search = '') {
  return inCompany(actor.companyId, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const digits = minorDigits(ours.currency);
    const today = businessDate(actor.now, ours.timeZone);
    const month = `${today.slice(0, 7)}-01`;
    const money = moneyOf(digits);
    const write = (value: Amount) => writeAmount(value, digits);
    const sumOf = (rows: readonly { readonly sum: string }[]) =>
      sumAmounts(rows.map(({ sum }) => money.parse(sum)));

    const open = await openByAge(tx, today);
    const byAge = ages.map((age) => {
      const found = open.find((row) => row.age === age);
      return { age, sum: write(found ? money.parse(found.sum) : ZERO), count: found?.count ?? 0 };
    });
    const late = open.filter(({ age }) => age !== 'not due');
    const toBill = await toBillByAgreement(
      tx,
      today,
      ours.timeZone,
      ours.money.coolingOff?.holdDeposit ? lastDaySignedToBill(today) : today,
    );
    const held = await heldByAgreement(tx);
    const credit = await creditByAgreement(tx);
    const received = await receivedSince(tx, month);
    const listed: Partial<Record<MoneyList, readonly OfAgreement[]>> = { 'to-bill': toBill, held, credit };
    return {
      list,
      currency: ours.currency,
      toBill: write(sumOf(toBill)),
      out: write(sumOf(open)),
      overdue: write(sumOf(late)),
      byAge,
      receivedThisMonth: write(money.parse(received)),
      held: write(sumOf(held)),
      credit: write(sumOf(credit)),
      agreements: await agreementRows(tx, listed[list] ?? []),
      invoices:
        list === 'all' || list === 'out' || list === 'overdue'
          ? await invoiceRows(tx, { list, search, today, digits })
          : [],
      payments:
        list === 'received' || list === 'all'
          ? await movedRows(tx, { since: list === 'all' ? null : month, search, most: SHOWN })
          : [],
    };
  });
}

export type MoneyPage = Awaited<ReturnType<typeof loadMoneyPage>>;

async function agreementRows(tx: Transaction, sums: readonly OfAgreement[]) {
  if (sums.length === 0) return [];
  const largest = [...sums].sort((a, b) => Number(b.sum) - Number(a.sum)).slice(0, SHOWN);
  const rows = await tx
    .select({ id: agreement.id, number: agreement.number, title: agreement.title, customer: customer.name })
    .from(agreement)
    .innerJoin(customer, customerOfAgreement)
    .where(
      inArray(
        agreement.id,
        largest.map(({ agreementId }) => agreementId),
      ),
    );
  const byId = new Map(rows.map((row) => [row.id, row]));
  return largest.map(({ agreementId, sum }) => ({ ...byId.get(agreementId)!, sum }));
}

async function invoiceRows(
  tx: Transaction,
  {
    list,
    search,
    today,
    digits,
  }: { list: 'all' | 'out' | 'overdue'; search: string; today: string; digits: number },
) {
  const ids = list === 'all' ? null : await openInvoiceIds(tx, list === 'overdue' ? today : null, SHOWN);
  if (ids?.length === 0) return [];
  const rows = await tx
    .select({ invoice, title: agreement.title, agreementNumber: agreement.number, customer: customer.name })
    .from(invoice)
    .innerJoin(agreement, agreementOf(invoice))
    .innerJoin(customer, customerOfAgreement)
    .where(
      ids === null
        ? hasWords(search, invoice.label, invoice.title, agreement.title, customer.name)
        : inArray(invoice.id, ids),
    )
    .orderBy(
      ...(ids === null ? [desc(invoice.issuedAt), desc(invoice.id)] : [invoice.dueOn, invoice.issuedAt]),
    )
    .limit(SHOWN);
  const standings = await standingsByInvoice(
    tx,
    rows.map((row) => row.invoice),
    digits,
  );
  return rows.map(({ invoice: row, title, agreementNumber, customer: payer }) => {
    const standing = standings.get(row.id)!;
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
      paid: writeAmount(standing.paid, digits),
      open: writeAmount(standing.open, digits),
      state: standing.state,
      overdue: isOverdue(standing, row.dueOn, today),
    };
  });
}
