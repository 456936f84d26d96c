/*
 * Earned by cost-to-cost against the long-term contract that textbooks of accounting work through (Kieso, Weygandt and
 * Warfield, Intermediate Accounting, percentage-of-completion method; from memory): a bridge for 4,500,000, in three years.
 * In thousands:
 *
 *                              year 1   year 2   year 3
 *   costs to date               1,000    2,916    4,050
 *   estimated costs to come     3,000    1,134        0
 *   billed to date                900    3,300    4,500
 *   complete                     25 %     72 %    100 %
 *   revenue to date             1,125    3,240    4,500
 *   gross profit of the year      125      199      126
 *   costs and profit over billings 225     −60        0
 */
import { jobReport } from '@/core/insight';
import { amount, parseAmount, writeAmount } from '@/core/number';
import type { Amount } from '@/core/number';

const thousands = (text: string) => parseAmount(`${text.replace(',', '')}000`, 2);

const years = [
  {
    cost: '1,000',
    toCome: '3,000',
    billed: '900',
    complete: 250_000n,
    earned: '1,125',
    profit: '125',
    over: '225',
  },
  {
    cost: '2,916',
    toCome: '1,134',
    billed: '3,300',
    complete: 720_000n,
    earned: '3,240',
    profit: '199',
    over: '-60',
  },
  {
    cost: '4,050',
    toCome: '0',
    billed: '4,500',
    complete: 1_000_000n,
    earned: '4,500',
    profit: '126',
    over: '0',
  },
] as const;

/** The contract at the end of a year. The budget is the first estimate, as agreed. */
const endOf = (year: (typeof years)[number], stages: 1 | 2 = 1) => {
  const half = (value: Amount) => amount(value / BigInt(stages));
  const names = ['Piers', 'Deck'].slice(0, stages);
  return jobReport({
    lines: names.map((name) => ({
      ...{ id: name, description: name, stage: name, costCode: null },
      net: half(thousands('4,500')),
      cost: half(thousands('4,000')),
      costs: { material: half(thousands('4,000')) },
      billed: half(thousands(year.billed)),
    })),
    costs: names.map((stage) => ({
      ...{ lineId: null, stage, costCode: null, costType: 'material' as const },
      amount: half(thousands(year.cost)),
    })),
    stages: names.map((name) => ({ name, progress: null, toCome: half(thousands(year.toCome)) })),
  });
};

test.each(years.map((year, i) => [i + 1, year] as const))('year %i', (number, year) => {
  const { total } = endOf(year);
  expect(total.complete).toBe(year.complete);
  expect(writeAmount(total.earned, 2)).toBe(writeAmount(thousands(year.earned), 2));
  // Ours is billed less earned; the book's is earned less billed.
  expect(amount(-total.overBilled)).toBe(thousands(year.over));
  const before = number === 1 ? null : endOf(years[number - 2]!).total;
  const profitToDate = (row: typeof total) => row.earned - row.cost;
  expect(profitToDate(total) - (before ? profitToDate(before) : 0n)).toBe(thousands(year.profit));
});

test('the profit of the three years is the contract less what it cost', () => {
  const { total } = endOf(years[2]);
  expect(years.reduce((sum, { profit }) => sum + thousands(profit), 0n)).toBe(total.earned - total.cost);
  expect(total.expectedProfit).toBe(thousands('450'));
});

test('in the second year the estimate has grown: less profit is expected, and the stages say so alike', () => {
  const [first, second] = [endOf(years[0]).total, endOf(years[1]).total];
  // 4,500 − 4,000, then 4,500 − 4,050.
  expect([first.expectedProfit, second.expectedProfit]).toEqual([thousands('500'), thousands('450')]);
  const parts = endOf(years[1], 2);
  expect(parts.total).toMatchObject({ earned: second.earned, overBilled: second.overBilled });
  expect(parts.stages.map(({ complete }) => complete)).toEqual([720_000n, 720_000n]);
});
