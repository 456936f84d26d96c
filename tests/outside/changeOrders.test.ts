/*
 * Change orders as the trade reckons them on the summary of an application for payment: original contract sum, net change
 * by change orders (additions less deductions), contract sum to date; and the schedule of values with change order lines
 * below the original ones, billed like them. The lines and their arithmetic are those of AIA G702/G703 (from memory),
 * without retainage. The figures are worked by hand here.
 */
import { changeEffect, moreOf, omissionLine } from '@/core/agreements';
import type { AgreedForChange } from '@/core/agreements';
import type { BillableLine } from '@/core/billing';
import { drawRest, drawShares, drawSums, drawnToDate, grossOf, leftOf, standingOf } from '@/core/billing';
import type { Amount } from '@/core/number';
import { parseAmount, parseFixed, parsePercent, sumAmounts, writeAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { Contract, Line } from '@/model';
import { plainDocument } from '../support/documents';

const money = (text: string) => parseAmount(text, 2);

const agreed = (id: string, quantity: string, amount: string): AgreedForChange => ({
  id,
  section: 'Work',
  description: id,
  unit: 'sqft',
  quantity,
  omitted: '0',
  amount,
  taxClass: 'taxed',
  costCode: null,
  costs: [],
  minorDigits: 2,
});
const decking = agreed('decking', '500', '40000.00');
const railing = agreed('railing', '150', '15000.00');

/** Lines as a change order's document has them, at what they come to. */
const amountOf = (line: Line): Amount =>
  computeFigures(plainDocument([{ id: 's', title: 'S', entries: [line] }])).total;

test('additions 12,500.00 and deductions 7,500.00 on 100,000.00: net change 5,000.00, sum to date 105,000.00', () => {
  // More decking: 12,500.00 ÷ 80.00 = 156.25 sq ft. Less railing: 75 of 150 sq ft is half of 15,000.00.
  const addition = moreOf(decking, parseFixed('156.25'), 'a');
  const deduction = omissionLine(railing, parseFixed('75'), 'd');
  expect([amountOf(addition), amountOf(deduction)].map((each) => writeAmount(each, 2))).toEqual([
    '12500.00',
    '-7500.00',
  ]);
  const original: Contract = {
    agreement: 1,
    title: 'Deck',
    minorDigits: 2,
    original: '100000.00',
    changes: [],
    sum: '100000.00',
    tax: '0.00',
    entries: [
      { id: 'first', name: 'First half', amount: '50000.00', billed: false },
      { id: 'second', name: 'Second half', amount: '50000.00', billed: false },
    ],
    mark: '',
  };
  const change = sumAmounts([amountOf(addition), amountOf(deduction)]);
  const effect = changeEffect(
    original,
    { total: change, taxTotal: 0n as Amount },
    { number: 1, spread: 'spread' },
  );
  expect(effect.sum).toEqual({ before: money('100000'), after: money('105000') });
  expect(effect.entries.map(({ after }) => after)).toEqual([money('52500'), money('52500')]);
});

test('lines of change orders are billed like the others; a deduction takes off as its line is done', () => {
  const values: BillableLine[] = [
    { id: 'decking', net: money('40000'), taxes: [] },
    { id: 'railing', net: money('15000'), taxes: [] },
    { id: 'rest', net: money('45000'), taxes: [] },
    { id: 'c1.more', net: money('12500'), taxes: [] },
    { id: 'c2.less', net: money('-7500'), taxes: [] },
  ];
  const share = (percents: Record<string, string>) =>
    new Map(Object.entries(percents).map(([id, percent]) => [id, parsePercent(percent)]));
  // Completed to date: 25,000.00 of decking, 12,500.00 more of it, 7,500.00 of railing; nothing taken off yet.
  const first = drawShares(
    values,
    drawnToDate(values, []),
    share({ decking: '62.5', 'c1.more': '100', railing: '50' }),
  );
  expect(drawSums(first, 0).total).toBe(money('45000'));
  const before = drawnToDate(values, first);
  const standing = standingOf({ sumToDate: money('105000'), billed: money('45000') }, [
    { open: money('27000'), paid: money('18000') },
  ]);
  expect(standing).toMatchObject({ leftToBill: money('60000'), billedUnpaid: money('27000') });
  // The railing is done and the half of it that was left out with it: 7,500.00 − 7,500.00.
  const second = drawShares(values, before, share({ railing: '100', 'c2.less': '100' }));
  expect(drawSums(second, 0).total).toBe(0n);
  const now = drawnToDate(values, [...first, ...second]);
  expect(grossOf(leftOf(values, now))).toBe(money('60000'));
  expect(grossOf(drawnToDate(values, [...first, ...second, ...drawRest(values, now)]))).toBe(money('105000'));
});
