import fc from 'fast-check';
import type { CostType } from '@/model';
import { costTypes } from '@/model';
import type { Fixed } from '../number';
import { ONE, amount, sumAmounts } from '../number';
import { cashFromFacts } from './cashFacts';
import type { Job, JobCost, JobLine } from './jobCost';
import { jobReport } from './jobCost';
import type { CostRow } from './jobGroups';

const line = (
  id: string,
  stage: string | null,
  net: bigint,
  cost: bigint,
  more: Partial<JobLine> = {},
): JobLine => ({
  id,
  description: id,
  stage,
  costCode: null,
  net: amount(net),
  cost: amount(cost),
  costs: { material: amount(cost) },
  billed: amount(0n),
  ...more,
});
const spent = (stage: string | null, cents: bigint, more: Partial<JobCost> = {}): JobCost => ({
  lineId: null,
  stage,
  costCode: null,
  costType: 'material',
  amount: amount(cents),
  ...more,
});

describe('looking back on a job', () => {
  test('cost-to-cost, as a textbook reckons it: 200 of 800 spent is a quarter; a quarter of 1,000 is earned; 300 billed is 50 too much', () => {
    // Contract 1,000,000, estimated cost 800,000, cost to date 200,000, billed 300,000: common practice, no source.
    const { total } = jobReport({
      lines: [line('all', 'Work', 100_000_000n, 80_000_000n, { billed: amount(30_000_000n) })],
      costs: [spent('Work', 20_000_000n)],
      stages: [{ name: 'Work', progress: null, toCome: null }],
    });
    expect(total).toMatchObject({
      complete: 250_000n,
      earned: 25_000_000n,
      overBilled: 5_000_000n,
      toCome: 60_000_000n,
      expectedProfit: 20_000_000n,
      profit: 10_000_000n,
    });
  });

  test('what is reported of a stage stands over what it cost: 40 % of 1,000 is earned, however much is spent', () => {
    for (const cost of [0n, 2000n, 9000n]) {
      const [stage] = jobReport({
        lines: [line('a', 'Frame', 100_000n, 60_000n, { billed: amount(50_000n) })],
        costs: cost === 0n ? [] : [spent('Frame', cost)],
        stages: [{ name: 'Frame', progress: 400_000n as Fixed, toCome: null }],
      }).stages;
      expect(stage).toMatchObject({ complete: 400_000n, earned: 40_000n, overBilled: 10_000n, done: false });
    }
  });

  test('a stage that is done has nothing to come and is earned in full, whatever it cost', () => {
    const [stage] = jobReport({
      lines: [line('a', 'Frame', 10000n, 6000n, { billed: amount(4000n) })],
      costs: [spent('Frame', 7000n)],
      stages: [{ name: 'Frame', progress: ONE, toCome: amount(999n) }],
    }).stages;
    expect(stage).toMatchObject({
      toCome: 0n,
      over: 1000n,
      earned: 10000n,
      overBilled: -6000n,
      expectedProfit: 3000n,
    });
  });

  test('what somebody reckons goes before what is left of the budget; over budget, nothing is left', () => {
    const job = (toCome: bigint | null, cost: bigint): Job => ({
      lines: [line('a', 'Frame', 10000n, 6000n)],
      costs: [spent('Frame', cost)],
      stages: [{ name: 'Frame', progress: null, toCome: toCome === null ? null : amount(toCome) }],
    });
    expect(jobReport(job(null, 2000n)).total.toCome).toBe(4000n);
    expect(jobReport(job(null, 6500n)).total).toMatchObject({ toCome: 0n, over: 500n });
    expect(jobReport(job(5000n, 2000n)).stages[0]).toMatchObject({
      expected: 7000n,
      over: 1000n,
      complete: 285_714n,
    });
  });

  test('a cost on a line is one of its stage and cost code; one on neither stands by itself', () => {
    const report = jobReport({
      lines: [line('a', 'Frame', 10000n, 6000n, { costCode: '06' })],
      costs: [spent(null, 100n, { lineId: 'a' }), spent(null, 50n)],
      stages: [{ name: 'Frame', progress: null, toCome: null }],
    });
    expect(report.stages.map(({ name, cost }) => [name, cost])).toEqual([
      ['Frame', 100n],
      ['', 50n],
    ]);
    expect(report.byCode.map(({ name, cost }) => [name, cost])).toEqual([
      ['', 50n],
      ['06', 100n],
    ]);
    expect(report.byLine.map(({ lineId, cost }) => [lineId, cost])).toEqual([
      ['a', 100n],
      [null, 50n],
    ]);
  });
});

test('by stage, cost code, cost type and line: budget, cost and what is to come have the same sums', () => {
  const stages = ['Frame', 'Roof', null] as const;
  const cents = fc.bigInt({ min: 0n, max: 90_000n });
  const anyLine = fc.record({
    stage: fc.constantFrom(...stages),
    code: fc.constantFrom('06', '07', null),
    costs: fc.record({ material: cents, labour: cents, unknown: cents }),
    net: cents,
    billed: cents,
  });
  const anyCost = fc.record({
    at: fc.constantFrom('line', 'stage', 'code', 'none'),
    n: fc.nat(9),
    type: fc.constantFrom(...costTypes),
    amount: fc.bigInt({ min: -20_000n, max: 90_000n }),
  });
  const anyStage = fc.record({
    progress: fc.option(fc.bigInt({ min: 0n, max: ONE }).map((part) => part as Fixed)),
    toCome: fc.option(cents),
  });
  fc.assert(
    fc.property(
      fc.array(anyLine, { maxLength: 6 }),
      fc.array(anyCost, { maxLength: 8 }),
      fc.tuple(anyStage, anyStage),
      (rawLines, rawCosts, rawStages) => {
        const lines = rawLines.map(({ stage, code, costs, net, billed }, i) =>
          line(`l${i}`, stage, net, costs.material + costs.labour + costs.unknown, {
            costCode: code,
            billed: amount(billed),
            costs: { material: amount(costs.material), labour: amount(costs.labour) } as Record<
              CostType,
              never
            >,
          }),
        );
        const costs = rawCosts.map(({ at, n, type, amount: each }) =>
          spent(at === 'stage' ? (['Frame', 'Roof'][n % 2] ?? null) : null, each, {
            costType: type,
            lineId: at === 'line' && lines.length > 0 ? lines[n % lines.length]!.id : null,
            costCode: at === 'code' ? ['06', '08'][n % 2]! : null,
          }),
        );
        const report = jobReport({
          lines,
          costs,
          stages: rawStages.map(({ progress, toCome }, i) => ({
            name: ['Frame', 'Roof'][i]!,
            progress,
            toCome: toCome === null ? null : amount(toCome),
          })),
        });
        const sums = (rows: readonly CostRow[]) =>
          (['budget', 'cost', 'toCome', 'expected', 'over'] as const).map((key) =>
            sumAmounts(rows.map((row) => row[key])),
          );
        const all = sums([report.total]);
        expect(sums(report.stages)).toEqual(all);
        expect(sums(report.byCode)).toEqual(all);
        expect(sums(report.byType)).toEqual(all);
        expect(sums(report.byLine)).toEqual(all);
        expect(all[0]).toBe(sumAmounts(lines.map(({ cost }) => cost)));
        expect(all[1]).toBe(sumAmounts(costs.map((each) => each.amount)));
        for (const row of report.stages) {
          expect(row.overBilled).toBe(row.billed - row.earned);
          expect(row.complete >= 0n && row.complete <= 1_000_000n).toBe(true);
        }
        expect(report.total.earned).toBe(sumAmounts(report.stages.map(({ earned }) => earned)));
      },
    ),
  );
});

describe('cash by the facts', () => {
  test('day by day; on one day money goes out first; the lowest is told', () => {
    const cash = cashFromFacts([
      { day: '2026-05-02', amount: amount(-700n) },
      { day: '2026-05-01', amount: amount(500n) },
      { day: '2026-05-02', amount: amount(1000n) },
      { day: '2026-05-03', amount: amount(-100n) },
    ]);
    expect(cash.days.map(({ day, in: came, out, balance }) => [day, came, out, balance])).toEqual([
      ['2026-05-01', 500n, 0n, 500n],
      ['2026-05-02', 1000n, 700n, 800n],
      ['2026-05-03', 0n, 100n, 700n],
    ]);
    expect(cash.lowest).toEqual({ day: '2026-05-02', balance: -200n });
  });

  test('never in front of the customer’s money: no lowest point', () => {
    expect(cashFromFacts([{ day: '2026-05-01', amount: amount(5n) }]).lowest).toBeNull();
    expect(cashFromFacts([])).toEqual({ days: [], lowest: null });
  });
});
