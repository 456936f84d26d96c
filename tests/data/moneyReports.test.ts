import { issueInvoice } from '@/services/billing/issue';
import { readTaxReport } from '@/services/reports/taxReport';
import { parseAmount, writeAmount } from '@/core/number';
import { recordCost } from '@/services/jobCosting/record';
import { recordPayment } from '@/services/payments/payments';
import { moneyReportFile, offeredReports, readMoneyReport } from '@/services/reports/moneyReport';
import { readAgreement } from '@/services/agreements/read';
import { readSettings, saveSettings } from '@/services/settings/settings';
import type { Amount } from '@/core/number';
import type { CommissionTerms } from '@/model';
import { withNeeded } from '@/model';
import { closeConnection } from '@/data/connection';
import { moneyReports } from '@/core/reports';
import { newAgreement, newCompany, testDocument } from '../support/desk';

afterAll(closeConnection);

const today = new Date().toISOString().slice(0, 10);

test('an agreement of which a tenth is billed and half of that is paid, in every report as one adds it up by hand', async () => {
  const actor = await newCompany();
  const billing = { retainage: { percent: '10', limit: '5' } };
  const { agreementId } = await newAgreement(actor, { ...testDocument(), billing });
  // 7,433.42 with tax as it is signed: its deposit of a tenth is 743.34, and billed as it is signed.
  const [deposit] = (await readAgreement(actor, agreementId)).invoices;
  expect(deposit!.total).toBe('743.34');
  await recordPayment(actor, {
    ...{ agreementId, method: 'cheque', amount: '371.67', receivedOn: today, reference: '' },
    idempotencyKey: 'report-by-hand-1',
  });
  const cells = async (id: string) => (await readMoneyReport(actor, id)).rows.map((row) => row.cells);
  expect(await cells('contract')).toEqual([
    expect.objectContaining({
      original: '7433.42',
      changes: '0.00',
      sum: '7433.42',
      billed: '743.34',
      billedShare: '10.0',
      paid: '371.67',
      paidShare: '5.0',
      open: '371.67',
      left: '6690.08',
    }),
  ]);
  expect(await cells('age')).toEqual([
    expect.objectContaining({ number: deposit!.number, notDue: '371.67', over90: '0.00', open: '371.67' }),
  ]);
  expect(await cells('retainage')).toEqual([
    expect.objectContaining({ rate: '10 %', limit: '5 %', held: '0.00' }),
  ]);
  // Without costs nothing is earned: all that is billed of the work is billed ahead.
  const [wip] = await cells('wip');
  expect(wip).toMatchObject({ cost: '0.00', earned: '0.00', under: '0.00', complete: '0.0' });
  expect(wip!.over).toBe(wip!.billed);
});

/** So many percent of an amount, half a cent away from zero, as one reckons it by hand. */
const share = (amount: string, part: bigint, whole: bigint): string => {
  const cents = parseAmount(amount, 2) as bigint;
  const twice = 2n * cents * part;
  return writeAmount(((twice + (twice < 0n ? -whole : whole)) / (2n * whole)) as Amount, 2);
};

test('commission of who sold it: of the price or of the margin, at once or as it is paid; none where the company gives none', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const [deposit] = (await readAgreement(actor, agreementId)).invoices;
  await recordPayment(actor, {
    ...{ agreementId, method: 'cheque', amount: '371.67', receivedOn: today, reference: '' },
    idempotencyKey: 'commission-by-hand-1',
  });
  expect(deposit!.total).toBe('743.34');
  const rows = async () => (await readMoneyReport(actor, 'commission')).rows.map(({ cells }) => cells);
  expect(await rows()).toEqual([]);
  const gives = async (commission: CommissionTerms) => {
    const { settled } = await readSettings(actor);
    await saveSettings(actor, { ...settled, pricing: { ...settled.pricing, commission } });
    return (await rows())[0]!;
  };
  const [wip] = (await readMoneyReport(actor, 'wip')).rows;
  const [margin] = (await readMoneyReport(actor, 'margin')).rows;
  const ofPrice = await gives({ percent: '5', of: 'price', when: 'signed' });
  const whole = share(wip!.cells.agreed!, 5n, 100n);
  expect(ofPrice).toMatchObject({
    base: wip!.cells.agreed,
    rate: '5 %',
    whole,
    earned: whole,
    toCome: '0.00',
  });
  // 371.67 of 7,433.42 is paid.
  const paid = await gives({ percent: '5', of: 'price', when: 'paid' });
  expect(paid).toMatchObject({ whole, earned: share(whole, 37_167n, 743_342n) });
  expect(parseAmount(paid.earned!, 2) + parseAmount(paid.toCome!, 2)).toBe(parseAmount(whole, 2));
  const ofMargin = await gives({ percent: '33.3333', of: 'margin', when: 'signed' });
  expect(ofMargin).toMatchObject({
    base: margin!.cells.profit,
    whole: share(margin!.cells.profit!, 333_333n, 1_000_000n),
  });
  // Who has a percentage of their own has that.
  const own = await gives({ percent: '5', of: 'price', when: 'signed', bySeller: { [actor.userId]: '0' } });
  expect(own).toMatchObject({ rate: '0 %', whole: '0.00', earned: '0.00' });

  // A share of the margin tells the margin: only who sees cost reads it, and is offered it.
  const seller = { ...actor, isOwner: false, permissions: withNeeded(['prices', 'allProposals']) };
  const offered = async () => (await offeredReports(seller)).map(({ id }) => id);
  expect(await offered()).toEqual(['contract', 'age', 'retainage', 'deposits', 'commission']);
  await gives({ percent: '5', of: 'margin', when: 'signed' });
  expect(await offered()).not.toContain('commission');
  await expect(readMoneyReport(seller, 'commission')).rejects.toThrow();
  await expect(readMoneyReport(seller, 'margin')).rejects.toThrow();
});

test('a job at a loss gives no commission of its margin', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const { settled } = await readSettings(actor);
  const commission = { percent: '10', of: 'margin' as const, when: 'signed' as const };
  await saveSettings(actor, { ...settled, pricing: { ...settled.pricing, commission } });
  await recordCost(actor, {
    ...{ agreementId, amount: '90000', spentOn: today, what: 'Lumber', costType: 'material', supplier: '' },
    idempotencyKey: 'commission-loss',
  });
  const [row] = (await readMoneyReport(actor, 'commission')).rows;
  expect(row!.cells).toMatchObject({ base: '0.00', whole: '0.00', earned: '0.00' });
});

test('narrowed by customer, seller, town, trade, progress and days; what cannot be is not asked', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  await newAgreement(actor);
  const read = (asked: object) => readMoneyReport(actor, 'contract', asked as never);
  const { spec, rows } = await read({});
  expect(rows).toHaveLength(2);
  const options = (key: string) =>
    spec.filters.flatMap((filter) => (filter.key === key && filter.kind === 'choice' ? filter.options : []));
  expect(options('place')).toEqual([{ value: 'Marrowby', label: 'Marrowby' }]);
  const { customer } = await readAgreement(actor, agreementId);
  expect((await read({ customer: customer.id })).rows.map((row) => row.agreementId)).toEqual([agreementId]);
  expect((await read({ seller: options('seller')[0]!.value })).rows).toHaveLength(2);
  expect((await read({ place: 'Marrowby' })).rows).toHaveLength(2);
  expect((await read({ state: 'finished' })).rows).toHaveLength(0);
  expect((await read({ days: `${today}..` })).rows.length).toBeGreaterThanOrEqual(0);
  expect((await read({ days: '2001-01-01..2001-12-31' })).rows).toHaveLength(0);
  for (const senseless of [
    { customer: 'x' },
    { place: 'Nowhere' },
    { days: 'x..y' },
    { state: 'x' },
    { sort: 'x' },
  ])
    expect((await read(senseless)).rows).toHaveLength(2);
  await expect(readMoneyReport(actor, 'nothing')).rejects.toThrow('There is no such report.');
  expect((await readMoneyReport(await newCompany(), 'contract')).rows).toEqual([]);
});

test('every report as a file: the rows of its table, no sums', async () => {
  const actor = await newCompany();
  await newAgreement(actor);
  for (const { id, columns } of moneyReports) {
    const { rows } = await readMoneyReport(actor, id);
    const { body, name } = await moneyReportFile(actor, id, {}, 'csv');
    const lines = body.toString().trim().split('\r\n');
    expect(lines).toHaveLength(rows.length + 1);
    expect(lines[0]).toBe(columns.map(({ title }) => title).join(','));
    expect(name).toMatch(new RegExp(`^report-${id}-\\d{4}-\\d\\d-\\d\\d\\.csv$`));
    const book = await moneyReportFile(actor, id, {}, 'xlsx');
    expect(book.body.subarray(0, 2).toString()).toBe('PK');
  }
});

test('estimated against actual: costs for a line and for none, of two agreements together', async () => {
  const actor = await newCompany();
  const ids = [(await newAgreement(actor)).agreementId, (await newAgreement(actor)).agreementId];
  const before = (await readMoneyReport(actor, 'items')).rows;
  expect(before.every(({ cells }) => cells.jobs === '2' && cells.cost === '0.00')).toBe(true);
  for (const agreementId of ids) {
    const [line] = (await readAgreement(actor, agreementId)).lines;
    const spend = (amount: string, lineId: string | null) =>
      recordCost(actor, {
        ...{ agreementId, amount, spentOn: today, what: 'Lumber', costType: 'material', supplier: '' },
        ...(lineId === null ? {} : { lineId }),
        idempotencyKey: `spend-${agreementId}-${amount.replace('.', '-')}`,
      });
    await spend('12.50', line!.id);
    await spend('3.25', null);
  }
  const after = await readMoneyReport(actor, 'items');
  const row = (item: string) => after.rows.find(({ cells }) => cells.item === item)?.cells;
  expect(row('For no line')).toMatchObject({ budget: '0.00', cost: '6.50', spent: '' });
  expect(after.rows.filter(({ cells }) => cells.cost === '25.00')).toHaveLength(1);
  expect(after.sums.cost).toBe('31.50');
});

test('a month of an office: 40 payments on five agreements; every report is what a pencil comes to', async () => {
  const actor = await newCompany();
  const money = (value: bigint) => writeAmount(value as never, 2);
  const cents = (text: string) => parseAmount(text, 2);
  // The pencil: what was invoiced and received, agreement by agreement, kept apart from everything the product adds up.
  const pencil = new Map<string, { invoiced: bigint; received: bigint }>();
  for (let n = 0; n < 5; n += 1) {
    const { agreementId } = await newAgreement(actor);
    const own: { invoiced: bigint; received: bigint } = {
      invoiced: cents((await readAgreement(actor, agreementId)).invoices[0]!.total),
      received: 0n,
    };
    pencil.set(agreementId, own);
    for (const amount of ['1000', '250.50', `${n + 1}23.45`]) {
      await issueInvoice(actor, { agreementId, what: { amount } });
      own.invoiced += cents(`${amount}${amount.includes('.') ? '' : '.00'}`.replace(/(\.\d)$/, '$10'));
    }
    for (let each = 0; each < 8; each += 1) {
      const amount = BigInt(1_111 + 97 * each + 13 * n);
      await recordPayment(actor, {
        ...{
          agreementId,
          method: 'cheque',
          amount: money(amount),
          receivedOn: today,
          reference: `${n}-${each}`,
        },
        idempotencyKey: `month-${agreementId.slice(-8)}-${each}`,
      });
      own.received += amount;
    }
  }
  const all = (of: 'invoiced' | 'received') => [...pencil.values()].reduce((sum, own) => sum + own[of], 0n);
  const contract = await readMoneyReport(actor, 'contract');
  for (const { agreementId, cells } of contract.rows) {
    const own = pencil.get(agreementId!)!;
    expect([cells.billed, cells.paid, cells.open]).toEqual(
      [own.invoiced, own.received, own.invoiced - own.received].map(money),
    );
    expect(cells.left).toBe(money(743_342n - own.invoiced));
  }
  expect([contract.sums.billed, contract.sums.paid, contract.sums.open]).toEqual(
    [all('invoiced'), all('received'), all('invoiced') - all('received')].map(money),
  );
  const age = await readMoneyReport(actor, 'age');
  expect(age.sums.open).toBe(money(all('invoiced') - all('received')));
  // Deposits are due at once, the rest in two weeks: today nothing is late.
  expect(age.sums.notDue).toBe(age.sums.open);
  const tax = await readTaxReport(actor, { from: today, to: today });
  const wip = await readMoneyReport(actor, 'wip');
  // What is invoiced is work and its tax, and nothing else.
  expect(cents(wip.sums.billed!) + cents(tax.invoiced)).toBe(all('invoiced'));
  expect(cents((await readMoneyReport(actor, 'margin')).sums.agreed!)).toBe(cents(wip.sums.agreed!));
  expect((await readMoneyReport(actor, 'retainage')).rows).toEqual([]);
});
