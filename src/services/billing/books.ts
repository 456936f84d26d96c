import { reversalName } from '@/core/text/names';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Booking, LoadedAgreement, LoadedPaper } from '@/core/billing';
import { bookMoney, bookPaper, itemsOf, usualAccounts } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, isBelowZero, minorDigits, negateAmount, parseAmount, writeAmount } from '@/core/number';
import type { ItemRow, JournalRow } from '@/formats/csv/booksCsv';
import type { PaymentMethod } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import { itemsBefore, readBatch } from './batches';
import { isLate } from './paper';
import { findAgreementsOfInvoices } from '@/data/billing/invoice';
import { findMoneyMoved, findNumbersOfPayments } from '@/data/payments/moneyMoved';
import { findInvoicesPaidBy } from '@/data/payments/allocation';

const bookedPaper = (loaded: LoadedAgreement, paper: LoadedPaper) => ({
  draws: paper.draws,
  retainage: paper.retainage,
  advance: paper.advance,
  late: isLate(loaded, paper) ? paper.amount : ZERO,
});

const bookedLines = ({ lines, digits }: LoadedAgreement) =>
  lines.map(({ id, costCode, costs }) => ({
    id,
    costCode,
    costs: Object.fromEntries(Object.entries(costs).map(([type, cost]) => [type, parseAmount(cost, digits)])),
  }));

const words = {
  work: '',
  retainage: 'Retainage',
  advance: 'Deposit',
  'late charge': 'Late charge',
  tax: '',
} as const;

/** The items of one paper, as rows. */
function itemRows(loaded: LoadedAgreement, paper: LoadedPaper, batch: string): ItemRow[] {
  const lines = new Map(loaded.lines.map((line) => [line.id, line]));
  const changes = new Map(loaded.changes.map(({ id, number }) => [id, number]));
  return itemsOf(bookedPaper(loaded, paper), bookedLines(loaded)).map((item) => {
    const line = item.lineId === null ? null : lines.get(item.lineId)!;
    const tax = item.component === null ? null : loaded.components[item.component]!;
    return {
      batch,
      document: paper.label,
      kind: paper.kind,
      issued_on: paper.issuedOn,
      due_on: paper.kind === 'credit note' ? '' : paper.dueOn,
      customer: paper.buyer.name,
      agreement: String(loaded.head.number),
      change_order: String(changes.get(line?.changeOrderId ?? '') ?? ''),
      section: line?.sectionTitle ?? '',
      bundle: line?.bundle?.name ?? '',
      item: line?.description ?? (item.kind === 'late charge' ? paper.title : words[item.kind]),
      cost_code: item.costCode ?? '',
      cost_type: item.costType ?? '',
      tax_class: line?.taxClass ?? tax?.taxClass ?? '',
      what: item.kind,
      tax_component: tax?.name ?? '',
      tax_rate: tax?.percent ?? '',
      amount: writeAmount(item.amount, loaded.digits),
      currency: loaded.head.currency,
    };
  });
}

/** The papers of a batch with their agreements, in the order of their numbers. */
async function papersOf(tx: Transaction, ids: readonly string[]) {
  if (ids.length === 0) return [];
  const rows = await findAgreementsOfInvoices(tx, ids);
  const agreements = new Map<string, LoadedAgreement>();
  for (const agreementId of new Set(rows.map((row) => row.agreementId)))
    agreements.set(agreementId, await loadAgreement(tx, agreementId));
  return rows.map(({ id, agreementId }) => {
    const loaded = agreements.get(agreementId)!;
    return { loaded, paper: loaded.papers.find((paper) => paper.id === id)! };
  });
}

/** The papers of a batch broken into their items. */
export async function batchItems(actor: Actor, batchId: string): Promise<ItemRow[]> {
  allow(actor, 'money');
  return inCompany(actor, async (tx) => {
    const { batch, of } = await readBatch(tx, batchId);
    return (await papersOf(tx, of('invoice'))).flatMap(({ loaded, paper }) =>
      itemRows(loaded, paper, String(batch.number)),
    );
  });
}

interface Moved {
  readonly payment: string;
  readonly document: string;
  readonly day: string;
  readonly method: PaymentMethod;
  /** What came in; below zero, what went out. */
  readonly amount: Amount;
  readonly text: string;
  readonly customer: string;
  readonly agreement: string;
}

/** Money of a batch that came in or went out, by day. */
async function moved(
  tx: Transaction,
  { batch, of }: Awaited<ReturnType<typeof readBatch>>,
  money: (text: string) => Amount,
): Promise<Moved[]> {
  const { paid, gone, back } = await findMoneyMoved(tx, of);
  const paymentIds = [...paid.map(({ row }) => row.id), ...gone.map(({ row }) => row.paymentId)];
  const about = await paymentsInWords(tx, paymentIds, batch.madeAt);
  const none = { payment: '', document: '' };
  const named = (name: string, more: string) => (more ? `${name}, ${more}` : name);
  return [
    ...paid.map(({ row, ...rest }) => ({
      day: row.receivedOn,
      method: row.method,
      amount: money(row.amount),
      text: named('Payment', row.reference),
      ...(about.get(row.id) ?? none),
      ...rest,
    })),
    ...gone.map(({ row, method, ...rest }) => ({
      day: row.on,
      method,
      amount: -money(row.amount) as Amount,
      text: named(reversalName(row.kind, isBelowZero(row.amount)), row.reason),
      ...(about.get(row.paymentId) ?? none),
      ...rest,
    })),
    ...back.map(({ row, ...rest }) => ({
      day: row.paidOn,
      method: row.method,
      amount: -money(row.amount) as Amount,
      text: named('Refund', row.reference),
      ...none,
      ...rest,
    })),
  ]
    .map((row) => ({ ...row, agreement: String(row.agreement) }))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

/**
 * The number of some payments, counted in the order they were recorded, and the invoices they were put on by then: what is
 * put elsewhere later leaves a batch as it was.
 */
async function paymentsInWords(
  tx: Transaction,
  ids: readonly string[],
  by: Date,
): Promise<Map<string, { payment: string; document: string }>> {
  if (ids.length === 0) return new Map();
  const numbers = await findNumbersOfPayments(tx, ids);
  const put = await findInvoicesPaidBy(tx, ids, by);
  return new Map(
    numbers.map(({ id, number }) => [
      id,
      {
        payment: String(number),
        document: put
          .filter((row) => row.id === id)
          .map(({ label }) => label)
          .join(' '),
      },
    ]),
  );
}

/** A batch as a journal: every paper and every movement of money, debit and credit. */
export async function batchJournal(actor: Actor, batchId: string): Promise<JournalRow[]> {
  allow(actor, 'money');
  return inCompany(actor, async (tx) => {
    const read = await readBatch(tx, batchId);
    const { batch, of } = read;
    const ours = await companyOf(tx, actor.companyId);
    const accounts = ours.money.accounts ?? usualAccounts;
    const rows: JournalRow[] = [];
    // Every thing in a batch has a number of its own, counted on from all batches before it.
    let entry = await itemsBefore(tx, batch.number);
    const book = (
      bookings: readonly Booking[],
      digits: number,
      row: Omit<
        JournalRow,
        'batch' | 'entry' | 'account' | 'cost_code' | 'tax_component' | 'debit' | 'credit'
      >,
      component: (place: number) => string,
    ) => {
      entry += 1;
      for (const { account, costCode, component: place, amount } of bookings)
        rows.push({
          ...row,
          batch: String(batch.number),
          entry: String(entry),
          account,
          cost_code: costCode ?? '',
          tax_component: place === null ? '' : component(place),
          debit: amount > 0n ? writeAmount(amount, digits) : '',
          credit: amount < 0n ? writeAmount(negateAmount(amount), digits) : '',
        });
    };
    const papers = await papersOf(tx, of('invoice'));
    for (const { loaded, paper } of papers)
      book(
        bookPaper(accounts, itemsOf(bookedPaper(loaded, paper), bookedLines(loaded))),
        loaded.digits,
        {
          date: paper.issuedOn,
          text: paper.title,
          document: paper.label,
          payment: '',
          customer: paper.buyer.name,
          agreement: String(loaded.head.number),
          currency: loaded.head.currency,
        },
        (place) => loaded.components[place]!.name,
      );
    const digits = minorDigits(ours.currency);
    for (const { day, method, amount, ...row } of await moved(tx, read, (each) => parseAmount(each, digits)))
      book(
        bookMoney(accounts, method, amount),
        digits,
        { date: day, ...row, currency: ours.currency },
        () => '',
      );
    return rows;
  });
}
