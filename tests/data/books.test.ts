import ICAL from 'ical.js';
import Papa from 'papaparse';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { saveStage } from '@/services/agreements/stages';
import { readList, readWholeList } from '@/services/lists/deskList';
import { batchList } from '@/services/billing/batchList';
import { makeBatch, previewBatch } from '@/services/billing/batches';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { reversePayment } from '@/services/payments/reversal';
import { batchItemsCsv, batchJournalCsv, dueDatesIcs } from '@/services/downloads/papers';
import { readSettings, saveAccounts } from '@/services/settings/settings';
import { usualAccounts } from '@/core/billing';
import { plusDays } from '@/core/calendar';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts } from '@/core/number';
import { closeConnection } from '@/data/connection';
import type { ProposalDocument } from '@/model';
import { newAgreement, newCompany, refusal, testDocument } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

type Row = Record<string, string>;
const cents = (text: string): Amount => parseAmount(text || '0', 2);
const read = (csv: string): Row[] => {
  const { data, errors } = Papa.parse<Row>(csv, { header: true, skipEmptyLines: true });
  expect(errors).toEqual([]);
  return data;
};
const today = new Date().toISOString().slice(0, 10);
const range = { from: plusDays(today, -40), to: plusDays(today, 1) };

/** A company with invoices, a credit note, a payment and one that went back. */
async function busy() {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const frame = await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
  await creditInvoice(actor, { invoiceId: frame.id, what: { amount: '100' }, remark: '' });
  const pay = (amount: string, key: string) =>
    recordPayment(actor, {
      sure: true,
      agreementId,
      method: 'cheque',
      amount,
      receivedOn: today,
      reference: '=cmd()',
      idempotencyKey: `books-${process.pid}-${agreementId}-${key}`,
    });
  const { id } = await pay('300', 'a');
  await pay('70', 'b');
  await reversePayment(actor, {
    paymentId: id,
    reason: 'returned',
    on: today,
    idempotencyKey: `books-${id}`,
  });
  return { actor, agreementId, frame, pay };
}

test('a batch takes what is not out yet, once, also when two are made at one moment', async () => {
  const { actor, agreementId, pay } = await busy();
  expect(await previewBatch(actor, range)).toEqual({
    counts: { invoice: 3, payment: 2, reversal: 1, refund: 0 },
    earlier: 0,
  });
  const made = await Promise.all([1, 2, 3, 4].map(() => makeBatch(actor, range).catch(() => null)));
  expect(made.filter((each) => each !== null)).toHaveLength(1);
  expect((await refusal(makeBatch(actor, range))).detail).toContain('earlier batch');
  // What comes later goes into the next; refused tries took no number.
  await pay('20', 'c');
  await issueInvoice(actor, { agreementId, what: { rest: true } });
  const next = await makeBatch(actor, range);
  const { rows: batches } = await readWholeList(actor, batchList, {});
  expect(batches).toMatchObject([
    { number: next.number, invoice: 1, payment: 1, reversal: 0, refund: 0 },
    { number: next.number - 1, invoice: 3, payment: 2, reversal: 1, refund: 0 },
  ]);
  expect((await readList(actor, batchList, { madeAt: '..2020-01-01' })).count).toBe(0);
  for (const role of ['seller'] as const)
    expect((await refusal(readWholeList(inRole(actor, role), batchList, {}))).status).toBe(403);
  expect((await refusal(makeBatch(inRole(actor, 'seller'), range))).status).toBe(403);
  expect((await refusal(makeBatch(actor, { from: range.to, to: range.from }))).detail).toContain(
    'after the last',
  );
});

test('its items sum to each paper, bundles and lines by cost type; its journal balances entry by entry', async () => {
  const { actor, agreementId } = await busy();
  const { id } = await makeBatch(actor, range);
  const items = read(await batchItemsCsv(actor, id));
  const { invoices, lines } = await readAgreement(actor, agreementId);
  for (const invoice of invoices) {
    const own = items.filter((row) => row.document === invoice.number);
    expect(sumAmounts(own.map((row) => cents(row.amount!)))).toBe(cents(invoice.total));
    const { tax } = await readInvoice(actor, invoice.id);
    expect(sumAmounts(own.filter(({ what }) => what === 'tax').map((row) => cents(row.amount!)))).toBe(
      cents(tax),
    );
  }
  const work = items.filter(({ what }) => what === 'work');
  expect(new Set(work.map(({ cost_type }) => cost_type))).toContain('material');
  expect(new Set(work.map(({ item }) => item)).size).toBe(
    new Set(lines.map((line) => line.description)).size,
  );
  expect(
    new Set(items.filter(({ what }) => what === 'tax').map(({ tax_component }) => tax_component)),
  ).toEqual(new Set(['State', 'County']));

  const csv = await batchJournalCsv(actor, id);
  expect(await batchJournalCsv(actor, id)).toBe(csv);
  const journal = read(csv);
  const entries = [...new Set(journal.map(({ entry }) => entry))];
  expect(entries).toHaveLength(6);
  for (const entry of entries) {
    const own = journal.filter((row) => row.entry === entry);
    expect(sumAmounts(own.map((row) => cents(row.debit!)))).toBe(
      sumAmounts(own.map((row) => cents(row.credit!))),
    );
  }
  // What customers owe by the journal is what is open, less what of the payments is on no invoice.
  const owed = sumAmounts(
    journal
      .filter(({ account }) => account === usualAccounts.receivable)
      .map((row) => (cents(row.debit!) - cents(row.credit!)) as Amount),
  );
  const { credit } = await readAgreement(actor, agreementId);
  expect(owed).toBe(sumAmounts(invoices.map(({ open }) => cents(open))) - cents(credit));
  // Text that a spreadsheet would run is not run.
  expect(journal.some(({ text }) => text === 'Payment, =cmd()')).toBe(true);
  expect(csv).not.toMatch(/(^|,)=cmd/m);
});

test('the accounts are the company’s own, set by the owner', async () => {
  const { actor } = await busy();
  const accounts = { ...usualAccounts, receivable: '1400-AR' };
  expect((await refusal(saveAccounts(inRole(actor, 'office'), accounts))).status).toBe(403);
  expect((await refusal(saveAccounts(actor, { ...accounts, tax: ' ' }))).status).toBe(422);
  await saveAccounts(actor, accounts);
  expect((await readSettings(actor)).company.money.accounts).toEqual(accounts);
  const { id } = await makeBatch(actor, range);
  expect(read(await batchJournalCsv(actor, id)).some(({ account }) => account === '1400-AR')).toBe(true);
});

test('due dates as a calendar that a library with no part in writing it reads', async () => {
  const { actor, agreementId } = await busy();
  const planned = plusDays(today, 20);
  await saveStage(actor, { agreementId, name: 'Frame', plannedOn: planned });
  const calendar = new ICAL.Component(ICAL.parse(await dueDatesIcs(actor)) as unknown[]);
  const events = calendar.getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
  const { invoices } = await readAgreement(actor, agreementId);
  const open = invoices.filter(({ open: left }) => cents(left) > 0n);
  expect(events).toHaveLength(open.length + 1);
  for (const invoice of open) {
    const event = events.find(({ summary }) => summary.includes(invoice.number))!;
    expect([event.startDate.toString(), event.startDate.isDate]).toEqual([invoice.dueOn, true]);
  }
  expect(events.find(({ summary }) => summary === 'Frame planned')!.startDate.toString()).toBe(planned);
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
});

test('a payment that the schedule names a day for leaves the calendar once it is billed, by whatever path', async () => {
  const day = plusDays(today, 30);
  const document = testDocument();
  const schedule = document.schedule!.map((entry) =>
    entry.id === 'frame' ? { ...entry, due: { on: 'date' as const, date: day } } : entry,
  );
  const inCalendar = async (
    what: readonly object[],
    more: Partial<ProposalDocument> = {},
  ): Promise<boolean[]> => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor, { ...document, schedule, ...more });
    const there = async () => {
      const events = new ICAL.Component(ICAL.parse(await dueDatesIcs(actor)) as unknown[])
        .getAllSubcomponents('vevent')
        .map((each) => new ICAL.Event(each));
      const [event] = events.filter(({ summary }) => summary === 'To bill: Frame');
      if (event) expect(event.startDate.toString()).toBe(day);
      return event !== undefined;
    };
    const all = [await there()];
    for (const one of what) {
      await issueInvoice(actor, { agreementId, what: one });
      all.push(await there());
    }
    return all;
  };
  expect(await inCalendar([{ entryId: 'frame' }])).toEqual([true, false]);
  expect(await inCalendar([{ amount: '1' }, { rest: true }])).toEqual([true, true, false]);
  // What is held back is billed all the same.
  const billing = { retainage: { percent: '10' } };
  expect(await inCalendar([{ entryId: 'frame' }], { billing })).toEqual([true, false]);
});
