import { issueInvoice } from '@/services/billing/issue';
import { saveStage } from '@/services/agreements/stages';
import { importCosts } from '@/services/jobCosting/importCosts';
import { jobListCsv } from '@/services/jobCosting/jobList';
import { readJob } from '@/services/jobCosting/jobReport';
import { attachCost, recordCost, saveToCome, takeCostBack } from '@/services/jobCosting/record';
import { openBooklet } from '@/services/booklet/open';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { parseAmount, sumAmounts } from '@/core/number';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany, refusal, visit } from '../support/desk';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);
let keys = 0;
const key = () => `cost-${process.pid}-${(keys += 1)}-x`;

async function job() {
  const actor = await newCompany();
  const { agreementId, token } = await newAgreement(actor);
  const read = () => readJob(actor, agreementId);
  const spend = (more: object) =>
    recordCost(actor, {
      agreementId,
      what: 'Something',
      costType: 'material',
      spentOn: '2026-05-04',
      supplier: '',
      idempotencyKey: key(),
      ...more,
    });
  return { actor, agreementId, token, read, spend };
}

test('against a line, a stage, a cost code or the whole job; hours times rate; the sums are the same by every grouping', async () => {
  const { read, spend } = await job();
  const { choices, total } = await read();
  await spend({ amount: '100.05', lineId: choices.lines[0]!.id });
  await spend({ amount: '50', stage: 'Frame' });
  await spend({ amount: '7', costCode: '09-900' });
  await spend({ hours: '6.25', rate: '46.30', costType: 'labour' });
  const after = await read();
  expect(after.total.cost).toBe('446.43');
  expect(after.total.budget).toBe(total.budget);
  expect(after.costs.map(({ amount, for: what }) => `${amount} ${what}`).sort()).toEqual([
    `100.05 ${choices.lines[0]!.description}`,
    '289.38 ',
    '50.00 Frame',
    '7.00 09-900',
  ]);
  for (const rows of [after.stages, after.byCode, after.byType, after.byLine])
    expect(sumAmounts(rows.map(({ cost }) => cents(cost)))).toBe(cents('446.43'));
  expect(after.byType.find(({ name }) => name === 'labour')!.cost).toBe('289.38');
});

test('a repeat is not counted twice; taken back once, both stay to be seen', async () => {
  const { actor, read, spend } = await job();
  const idempotencyKey = key();
  const ids = await Promise.all([1, 2, 3].map(() => spend({ amount: '20', idempotencyKey })));
  expect(new Set(ids.map(({ id }) => id)).size).toBe(1);
  const costId = ids[0]!.id;
  await Promise.all([1, 2].map(() => takeCostBack(actor, { costId, idempotencyKey: key() })));
  const after = await read();
  expect(after.total.cost).toBe('0.00');
  expect(after.costs.map(({ amount, takenBack, takesBack }) => [amount, takenBack, takesBack])).toEqual([
    ['20.00', true, false],
    ['-20.00', false, true],
  ]);
  expect(
    (await refusal(takeCostBack(actor, { costId: after.costs[1]!.id, idempotencyKey: key() }))).status,
  ).toBe(409);
});

test('what does not fit is refused with a sentence', async () => {
  const { spend, actor } = await job();
  const other = await newAgreement(actor);
  const theirs = await issueInvoice(actor, { agreementId: other.agreementId, what: { rest: true } });
  expect((await refusal(spend({}))).detail).toContain('Type the amount');
  expect((await refusal(spend({ hours: '3' }))).detail).toContain('come together');
  expect((await refusal(spend({ amount: '1.005' }))).detail).toContain('2 decimals');
  expect((await refusal(spend({ amount: '1', lineId: 'nowhere' }))).status).toBe(404);
  expect((await refusal(spend({ amount: '1', stage: 'Cellar' }))).status).toBe(404);
  expect((await refusal(spend({ amount: '1', invoiceId: theirs.id }))).status).toBe(404);
});

test('earned, billed and what is still to come follow the stages; a cost can stand beside an invoice', async () => {
  const { actor, agreementId, read, spend } = await job();
  const { id } = await spend({ amount: '1000', stage: 'Frame' });
  await saveToCome(actor, { agreementId, stage: 'Frame', toCome: '3000' });
  const frame = async () => (await read()).stages.find(({ name }) => name === 'Frame')!;
  expect(await frame()).toMatchObject({
    cost: '1000.00',
    toCome: '3000.00',
    complete: '25',
    reckoned: '3000.00',
  });
  await saveStage(actor, { agreementId, name: 'Frame', doneOn: '2026-05-05' });
  expect(await frame()).toMatchObject({ toCome: '0.00', done: true, complete: '100' });
  await saveToCome(actor, { agreementId, stage: 'Frame', toCome: null });
  expect(await frame()).toMatchObject({ reckoned: null });
  const invoice = await issueInvoice(actor, { agreementId, what: { rest: true } });
  await attachCost(actor, { costId: id, invoiceId: invoice.id });
  expect((await read()).costs[0]).toMatchObject({ invoiceId: invoice.id, invoice: invoice.number });
  expect((await readInvoice(actor, invoice.id)).costs).toMatchObject({ sum: '1000.00', rows: [{ id }] });
  await attachCost(actor, { costId: id, invoiceId: null });
  expect((await read()).costs[0]!.invoice).toBeNull();
  // Taken back, a cost is beside no invoice any more.
  const { id: mistake } = await spend({ amount: '9', stage: 'Frame', invoiceId: invoice.id });
  expect((await readInvoice(actor, invoice.id)).costs.sum).toBe('9.00');
  await takeCostBack(actor, { costId: mistake, idempotencyKey: key() });
  expect((await readInvoice(actor, invoice.id)).costs).toEqual({ rows: [], sum: '0.00' });
  // All is billed before all is done: billed ahead by what is not earned.
  const { total } = await read();
  expect(cents(total.overBilled)).toBe(cents(total.billed) - cents(total.earned));
  expect(cents(total.billed)).toBe(cents(total.agreed));
});

test('cash runs by the days of payments and costs', async () => {
  const { actor, agreementId, read, spend } = await job();
  await spend({ amount: '80', spentOn: '2026-05-01' });
  await recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'cheque',
    amount: '200',
    receivedOn: '2026-05-03',
    reference: '',
    idempotencyKey: key(),
  });
  expect((await read()).cash).toEqual({
    days: [
      { day: '2026-05-01', in: '0.00', out: '80.00', lowest: '-80.00', balance: '-80.00' },
      { day: '2026-05-03', in: '200.00', out: '0.00', lowest: '-80.00', balance: '120.00' },
    ],
    lowest: { day: '2026-05-01', balance: '-80.00' },
  });
});

const list = (rows: string) =>
  new TextEncoder().encode(`date,what,cost_type,amount,hours,rate,stage\n${rows}\n`);

test('a list is taken as a whole or not at all; taken again, only what is new in it counts', async () => {
  const { actor, agreementId, read } = await job();
  const wrong = await refusal(
    importCosts(
      actor,
      agreementId,
      list('2026-05-03,Studs,material,100,,,Frame\n2026-05-03,Nails,iron,5,,,'),
    ),
  );
  expect(wrong.detail).toContain('row 3');
  expect((await read()).costs).toEqual([]);
  const rows =
    '2026-05-03,Studs,material,100,,,Frame\n2026-05-03,Studs,material,100,,,Frame\n2026-05-04,Carpenter,labour,,6,46,';
  expect(await importCosts(actor, agreementId, list(rows))).toEqual({ taken: 3, known: 0 });
  expect(await importCosts(actor, agreementId, list(`${rows}\n2026-05-05,Screws,material,3,,,`))).toEqual({
    taken: 1,
    known: 3,
  });
  expect((await read()).total.cost).toBe('479.00');
  expect(
    (await refusal(importCosts(actor, agreementId, new TextEncoder().encode('a,b\n1,2\n')))).detail,
  ).toContain('“date” is missing');
});

test('every list of a job can be had as CSV; nothing of cost reaches the booklet', async () => {
  const { actor, agreementId, token, spend } = await job();
  await spend({ amount: '83.17', what: 'SECRET-COST', stage: 'Frame' });
  for (const name of ['stages', 'codes', 'types', 'lines', 'costs', 'cash'] as const)
    expect((await jobListCsv(actor, agreementId, name)).split('\r\n').length).toBeGreaterThan(2);
  expect(await jobListCsv(actor, agreementId, 'costs')).toContain('SECRET-COST');
  expect(JSON.stringify(await openBooklet(await visit(token)))).not.toMatch(/SECRET-COST|83\.17/);
});
