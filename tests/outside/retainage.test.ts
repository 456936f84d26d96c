/*
 * Retainage and a progress statement as the trade reckons them on an application for payment: the lines of AIA G702 and
 * the columns of G703 (from memory). Original sum, net change by change orders, sum to date; completed and stored to date;
 * retainage of it; earned less retainage; less previous certificates; current payment due; balance to finish, retainage
 * in it. The figures are worked by hand here.
 */
import { spawnSync } from 'node:child_process';
import { Decimal } from 'decimal.js';
import type { Ledger } from '@/core/billing';
import { makeCredit, makeInvoice, paperSums, positionOf, statementOf, withPaper } from '@/core/billing';
import type { Amount, Fixed } from '@/core/number';
import { ONE, parseAmount, writeAmount, writeFixed } from '@/core/number';
import type { BillingAsk, BillingTerms } from '@/model';

const money = (text: string) => parseAmount(text, 2);
const text = (value: bigint) => writeAmount(value as Amount, 2);

/** A schedule of values of 105,000.00, of which 5,000.00 came by change orders. */
function ledger(terms: BillingTerms): Ledger {
  const line = (id: string, net: string) => ({
    id,
    description: id,
    sectionTitle: 'Work',
    stage: null,
    taxClass: 'none',
    quantity: ONE as Fixed,
    net: money(net),
    taxes: [],
  });
  return {
    minorDigits: 2,
    terms,
    lines: [line('frame', '60000.00'), line('roof', '40000.00'), line('c1.gate', '5000.00')],
    components: 0,
    entries: [],
    papers: [],
  };
}

const bill = (at: Ledger, what: BillingAsk) => {
  const made = makeInvoice(at, what);
  return { at: withPaper(at, made, String(at.papers.length)), due: text(paperSums(made, 0).total) };
};
const to = (percent: string, line = 'frame'): BillingAsk => ({ lines: [{ line, to: { percent } }] });

test('sum to date 105,000.00, completed 45,000.00, a tenth held: earned 40,500.00, before 18,000.00, due 22,500.00, to finish 64,500.00', () => {
  const terms: BillingTerms = { retainage: { percent: '10' } };
  // 20,000.00 of 60,000.00 do not divide into percentages with four places; by amount they do.
  const first = bill(ledger(terms), { lines: [{ line: 'frame', to: { amount: '20000' } }] });
  expect(first.due).toBe('18000.00');
  const second = bill(first.at, to('75'));
  expect(second.due).toBe('22500.00');
  const { sumToDate, workBilled, heldGross, billed, leftToBill } = positionOf(second.at);
  expect([sumToDate, workBilled, heldGross, billed, leftToBill].map(text)).toEqual([
    '105000.00',
    '45000.00',
    '4500.00',
    '40500.00',
    '64500.00',
  ]);
});

test('the statement: each line is before + this = to date of its scheduled value, and the sums lead to what is due', () => {
  const first = bill(ledger({ retainage: { percent: '10' } }), {
    lines: [{ line: 'frame', to: { amount: '20000' } }],
  });
  const made = makeInvoice(first.at, {
    lines: [
      { line: 'frame', to: { amount: '17500' } },
      { line: 'roof', to: { percent: '18.75' } },
    ],
  });
  const paper = { ...made, id: 'this', credits: null };
  const statement = statementOf(first.at, paper, money('100000.00'));
  const row = ({ agreed, before, now, toDate, left, share }: (typeof statement)['lines'][number]) => [
    ...[agreed, before, now, toDate, left].map(text),
    share === null ? null : writeFixed(share),
  ];
  expect(statement.lines.map(row)).toEqual([
    ['60000.00', '20000.00', '17500.00', '37500.00', '22500.00', '0.625'],
    ['40000.00', '0.00', '7500.00', '7500.00', '32500.00', '0.1875'],
    ['5000.00', '0.00', '0.00', '0.00', '5000.00', '0'],
  ]);
  const { original, changes, sumToDate, completed, held, earned, billedBefore, due, toFinish } = statement;
  expect(
    [original, changes, sumToDate, completed, held, earned, billedBefore, due, toFinish].map(text),
  ).toEqual([
    '100000.00',
    '5000.00',
    '105000.00',
    '45000.00',
    '4500.00',
    '40500.00',
    '18000.00',
    '22500.00',
    '64500.00',
  ]);
});

test('with a limit nothing more is held once it is reached; released, it is asked for once', () => {
  // A tenth until 5 % of 105,000.00 = 5,250.00 are held.
  const first = bill(ledger({ retainage: { percent: '10', limit: '5' } }), to('80'));
  expect(first.due).toBe('43200.00');
  const second = bill(first.at, to('100'));
  // 60,000.00 to date: 6,000.00 would be held, the limit leaves 450.00 of 12,000.00.
  expect(second.due).toBe('11550.00');
  const third = bill(second.at, { rest: true });
  expect(third.due).toBe('45000.00');
  const part = bill(third.at, { release: '2000' });
  expect(part.due).toBe('2000.00');
  const rest = bill(part.at, { release: 'all' });
  expect(rest.due).toBe('3250.00');
  expect(positionOf(rest.at)).toMatchObject({ heldGross: 0n, leftToBill: 0n });
  expect(() => makeInvoice(rest.at, { release: 'all' })).toThrow('No retainage is held.');
});

test('what is taken back takes its retainage along; what was released is not held again', () => {
  const first = bill(ledger({ retainage: { percent: '10' } }), to('50'));
  const half = makeCredit(first.at, '0', { lines: [{ line: 'frame', amount: '10000' }] });
  expect(text(paperSums(half, 0).total)).toBe('-9000.00');
  const released = bill(first.at, { release: 'all' });
  const all = makeCredit(released.at, '0', { whole: true });
  // 27,000.00 and 3,000.00 were paid; all of it comes back.
  expect(text(paperSums(all, 0).total)).toBe('-30000.00');
  expect(() => makeCredit(withPaper(released.at, all, 'c', '0'), '1', { whole: true })).toThrow(
    'credited since',
  );
});

// Common practice, no source: a deposit paid ahead is counted off the work in proportion, all of it by the last invoice.
test('a deposit of 10,500.00 paid ahead comes off each invoice by a tenth', () => {
  const entry = { id: 'd', name: 'Deposit', kind: 'deposit' as const, amount: money('10500.00') };
  const begun = { ...ledger({ deposit: 'advance' }), entries: [entry] };
  const deposit = bill(begun, { entryId: 'd' });
  expect(deposit.due).toBe('10500.00');
  const half = bill(deposit.at, to('50'));
  expect(half.due).toBe('27000.00');
  // An amount is what is paid: 9,000.00 of it bill 10,000.00 of work.
  const amount = bill(half.at, { amount: '9000' });
  expect(positionOf(amount.at)).toMatchObject({
    workBilled: money('40000.00'),
    aheadGross: money('6500.00'),
  });
  expect(bill(amount.at, { rest: true }).due).toBe('58500.00');
});

describe('the example of an agreement', () => {
  type Row = Readonly<Record<string, string>>;
  interface Report {
    readonly sumToDate: string;
    readonly original: Row;
    readonly changes: readonly Row[];
    readonly papers: readonly (Row & {
      readonly kind: string;
      readonly draws: readonly {
        readonly line: string;
        readonly net: string;
        readonly taxes: readonly string[];
      }[];
      readonly tax: readonly Row[];
      readonly after: Row;
    })[];
    readonly lines: readonly (Row & { readonly taxes: readonly string[] })[];
    readonly payments: readonly Row[];
  }
  const run = (file: string) =>
    spawnSync(process.execPath, ['--import', 'tsx', 'scripts/figures.ts', file], { encoding: 'utf8' });
  const report = JSON.parse(run('docs/formats/example-agreement.json').stdout) as Report;
  const sum = (values: readonly string[]) =>
    values.reduce((total, value) => total.plus(value), new Decimal(0)).toFixed(2);

  test('seven invoices by six paths and a credit note sum to the agreement: in total, per line and per tax', () => {
    const { papers, lines } = report;
    expect(papers.map(({ kind }) => kind)).toEqual([
      'advance',
      'invoice',
      'invoice',
      'credit note',
      'invoice',
      'invoice',
      'invoice',
      'release',
    ]);
    expect(sum([report.original.total!, ...report.changes.map(({ total }) => total!)])).toBe(
      report.sumToDate,
    );
    expect(sum(papers.map(({ total }) => total!))).toBe(report.sumToDate);
    expect(sum(report.payments.map(({ amount }) => amount!))).toBe(report.sumToDate);
    for (const line of lines) {
      const drawn = papers.flatMap(({ draws }) => draws.filter(({ line: id }) => id === line.id));
      expect([line.id, sum(drawn.map(({ net }) => net))]).toEqual([line.id, line.agreed]);
      for (const t of [0, 1]) expect(sum(drawn.map(({ taxes }) => taxes[t]!))).toBe(line.taxes[t]);
    }
    for (const t of [0, 1])
      expect(sum(papers.map(({ tax }) => tax[t]!.amount!))).toBe(sum(lines.map(({ taxes }) => taxes[t]!)));
  });

  test('each paper adds up, and a tenth of the work to date is held after it', () => {
    let work = new Decimal(0);
    for (const paper of report.papers) {
      const parts = [paper.workWithTax!, paper.depositWithTax!, paper.retainageWithTax!];
      expect(sum(parts)).toBe(paper.total);
      expect(sum([paper.net!, ...paper.tax.map(({ amount }) => amount!)])).toBe(paper.total);
      work = work.plus(paper.workWithTax!);
      expect(paper.after.workBilled).toBe(work.toFixed(2));
      const tenth = work.div(10).toFixed(2, Decimal.ROUND_HALF_UP);
      // A credit note gives back what was held of its own work: a cent beside the tenth of all of it.
      const beside = new Decimal(paper.after.held!).minus(paper.kind === 'release' ? 0 : tenth).abs();
      expect(beside.lte(paper.kind === 'credit note' ? '0.01' : 0)).toBe(true);
    }
    expect(report.papers.at(-1)!.after).toMatchObject({ held: '0.00', leftToBill: '0.00' });
  });

  test('a step that cannot be done is refused by its number', () => {
    const { status, stderr } = run('tests/outside/too-much.json');
    expect([status, stderr.trim()]).toEqual([1, 'Step 2: “Line a”: A line can be billed from 0 to 100 %.']);
  });
});
