import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { recordPayment } from '@/services/payments/payments';
import { reversePayment } from '@/services/payments/reversal';
import { readTaxReport, taxReportFile } from '@/services/reports/taxReport';
import { quarterOf } from '@/core/calendar';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany, refusal, testDocument } from '../support/desk';
import { line, plainDocument } from '../support/documents';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

let keys = 0;
const idempotencyKey = () => `tax-${process.pid}-${(keys += 1)}`;

/** 1,000 net taxed at 6 and 2 %, 500 that bears no tax, and no payment at signing. */
const document = () =>
  plainDocument(
    [
      {
        id: 's',
        title: 'Porch',
        entries: [line('a', '10', '100'), line('b', '1', '500', { taxClass: 'free' })],
      },
    ],
    {
      taxClasses: [
        {
          id: 'taxed',
          name: 'Taxed',
          components: [
            { id: 'state', name: 'State', percent: '6' },
            { id: 'town', name: 'Town', percent: '2' },
          ],
        },
        { id: 'free', name: 'Free', components: [] },
      ],
      schedule: testDocument().schedule,
    },
  );

async function taxed() {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, document());
  const today = (await readTaxReport(actor, {})).today;
  const year = { from: `${today.slice(0, 4)}-01-01`, to: `${today.slice(0, 4)}-12-31` };
  const figures = async (period: object = year) => {
    const { rows, sales, untaxed, invoiced, collected } = await readTaxReport(actor, period);
    return { sales, untaxed, invoiced, collected, rows: rows.map((row) => Object.values(row).join(' ')) };
  };
  const pay = async (amount: string) =>
    recordPayment(actor, {
      sure: true,
      agreementId,
      method: 'cheque',
      amount,
      receivedOn: today,
      reference: '',
      idempotencyKey: idempotencyKey(),
    });
  return { actor, agreementId, today, figures, pay };
}

test('tax by component on what is invoiced and in what is paid, by hand', async () => {
  const { actor, agreementId, figures, pay } = await taxed();
  await issueInvoice(actor, { agreementId, what: { rest: true } });
  const { invoices } = await readAgreement(actor, agreementId);
  const all = invoices.reduce((sum, { total }) => sum + Number(total), 0);
  // 1,500 net, 60 and 20 of tax: 1,580.
  expect(all).toBeCloseTo(1580, 2);
  expect(await figures()).toEqual({
    sales: '1500.00',
    untaxed: '500.00',
    invoiced: '80.00',
    collected: '0.00',
    rows: ['State 6 1000.00 60.00 0.00', 'Town 2 1000.00 20.00 0.00'],
  });
  await pay('1580');
  expect((await figures()).collected).toBe('80.00');
  // Nothing of it happened the year before.
  expect(await figures({ from: '2001-01-01', to: '2001-12-31' })).toMatchObject({
    sales: '0.00',
    invoiced: '0.00',
    collected: '0.00',
    rows: [],
  });
});

test('half paid is half of the tax; returned, none of it came in; a void payment never did; a credit note takes its tax off', async () => {
  const { actor, agreementId, figures, pay, today } = await taxed();
  const before = (await readAgreement(actor, agreementId)).invoices;
  for (const bill of before) {
    await creditInvoice(actor, { invoiceId: bill.id, what: { whole: true }, remark: 'Begun anew' });
  }
  const { id } = await issueInvoice(actor, { agreementId, what: { rest: true } });
  expect(await figures()).toMatchObject({ sales: '1500.00', invoiced: '80.00', collected: '0.00' });
  const half = await pay('790');
  expect((await figures()).collected).toBe('40.00');
  const back = { on: today, reason: 'Returned', idempotencyKey: idempotencyKey() };
  await reversePayment(actor, { paymentId: half.id, kind: 'returned', ...back });
  expect((await figures()).collected).toBe('0.00');
  const wrong = await pay('790');
  await reversePayment(actor, {
    ...{ paymentId: wrong.id, kind: 'void', reason: 'Not ours' },
    idempotencyKey: idempotencyKey(),
  });
  expect((await figures()).collected).toBe('0.00');
  await creditInvoice(actor, { invoiceId: id, what: { amount: '158' }, remark: 'A tenth off' });
  const { invoiced } = await figures();
  expect(invoiced).toBe('72.00');
  await pay('1422');
  expect(await figures()).toMatchObject({ invoiced: '72.00', collected: '72.00' });
});

test('as files; for the office only; the quarter of today where no period can be read', async () => {
  const { actor, agreementId } = await taxed();
  await issueInvoice(actor, { agreementId, what: { rest: true } });
  const { period, today } = await readTaxReport(actor, { from: 'never', to: '2026-02-30' });
  expect(period).toEqual(quarterOf(today));
  expect(quarterOf('2024-02-29')).toEqual({ from: '2024-01-01', to: '2024-03-31' });
  expect(quarterOf('2026-11-30')).toEqual({ from: '2026-10-01', to: '2026-12-31' });
  const csv = await taxReportFile(actor, period, 'csv');
  expect(String(csv.body).split('\r\n').slice(0, 2)).toEqual([
    'Tax,Percent,Net that bears it,Tax invoiced,Tax collected',
    'State,6,1000.00,60.00,0.00',
  ]);
  expect((await taxReportFile(actor, period, 'xlsx')).body.subarray(0, 2).toString()).toBe('PK');
  expect((await refusal(readTaxReport(inRole(actor, 'seller'), {}))).status).toBe(403);
  expect((await readTaxReport(await newCompany(), {})).rows).toEqual([]);
});
