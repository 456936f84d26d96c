/*
 * What the law says about deposits and about cancelling, against its sources:
 * - California Business and Professions Code § 7159: the lesser of 1,000 dollars and 10 % of the price; Massachusetts
 *   G.L. c. 142A § 2: one third, or the cost of what is specially ordered if more; Maryland Business Regulation § 8-617:
 *   one third (all from memory);
 * - FTC 16 CFR Part 429 (from memory): three business days, Saturday counts, Sundays and federal holidays do not; the
 *   holidays against @18f/us-federal-holidays, by their true dates.
 */
import { allForYear, isAHoliday } from '@18f/us-federal-holidays';
import fc from 'fast-check';
import type { DepositLaw, ScheduleEntry } from '@/model';
import type { Amount } from '@/core/number';
import { parseAmount } from '@/core/number';
import {
  depositAsked,
  depositLaws,
  depositOverLaw,
  federalHolidays,
  lastDayToCancel,
  lawInWords,
  shippedLaws,
} from '@/core/schedule';

const money = (text: string) => parseAmount(text, 2);
const over = (place: string, deposit: string, total: string, specialOrder = '0.00') =>
  depositOverLaw({ deposit: { place, blocks: false } }, money(deposit), money(total), {
    minorDigits: 2,
    specialOrder: money(specialOrder),
  })?.limit ?? null;

test.each([
  ['california', '1000.00', '25000.00', null],
  ['california', '1000.01', '25000.00', '1000.00'],
  ['california', '800.00', '8000.00', null],
  ['california', '800.01', '8000.00', '800.00'],
  ['massachusetts', '5000.00', '15000.00', null],
  ['massachusetts', '5000.01', '15000.00', '5000.00'],
  ['maryland', '6666.66', '20000.00', null],
  ['maryland', '6666.67', '20000.00', '6666.66'],
])('%s: a deposit of %s on %s', (place, deposit, total, limit) => {
  expect(over(place, deposit, total)).toBe(limit === null ? null : money(limit));
});

test('in Massachusetts what is specially ordered may be asked for, if it is more than a third', () => {
  expect(over('massachusetts', '7200.00', '15000.00', '7200.00')).toBeNull();
  expect(over('massachusetts', '7200.01', '15000.00', '7200.00')).toBe(money('7200.00'));
  expect(over('maryland', '7200.00', '15000.00', '7200.00')).toBe(money('5000.00'));
});

test('every law names its source, and no deposit is over the law where no place is named', () => {
  for (const { source } of shippedLaws) expect(source).toMatch(/§|c\. \d/);
  expect(shippedLaws.map(lawInWords)).toEqual([
    'the lesser of 1,000 and 10 % of the price',
    'one third of the price, or what must be ordered specially, if that is more',
    'one third of the price',
  ]);
  expect(
    depositOverLaw({}, money('9'), money('9'), { minorDigits: 2, specialOrder: 0n as Amount }),
  ).toBeNull();
});

test('a company corrects a law and adds its own; a share is rounded down, to the cent', () => {
  const laws: DepositLaw[] = [
    { id: 'maryland', place: 'Maryland', source: 'as our lawyer says', share: { of: 1, in: 4 } },
    { id: 'ours', place: 'Fenland', source: 'Code 1', share: { percent: '12.5' }, most: '900.00' },
  ];
  expect(depositLaws({ laws }).map(({ place }) => place)).toEqual([
    'California',
    'Massachusetts',
    'Maryland',
    'Fenland',
  ]);
  const limit = (place: string, total: string) =>
    depositOverLaw({ deposit: { place, blocks: true }, laws }, money('99999.00'), money(total), {
      minorDigits: 2,
      specialOrder: money('0.00'),
    })!.limit;
  expect(limit('maryland', '10000.03')).toBe(money('2500.00'));
  // 12.5 % of 333.33 is 41.66625.
  expect(limit('ours', '333.33')).toBe(money('41.66'));
  expect(limit('ours', '50000.00')).toBe(money('900.00'));
  expect(lawInWords(laws[1]!)).toBe('the lesser of 900.00 and 12.5 % of the price');
});

const entry = (id: string, kind: ScheduleEntry['kind'], due: ScheduleEntry['due'], percent: string) => ({
  entry: { id, name: id, kind, due, share: { percent } },
  amount: money(percent),
  takesRest: false,
});
const stage = { on: 'stage', stage: 'Frame' } as const;

// What is asked for before work begins is a deposit by whatever name (common practice, no source).
test.each([
  ['a deposit', [entry('d', 'deposit', { on: 'acceptance' }, '10'), entry('s', 'stage', stage, '90')], '10'],
  [
    'named a stage',
    [entry('d', 'stage', { on: 'acceptance' }, '40'), entry('s', 'final', stage, '60')],
    '40',
  ],
  [
    'some days after',
    [entry('d', 'stage', { on: 'days', days: 2 }, '30'), entry('s', 'final', stage, '70')],
    '30',
  ],
  [
    'on a day',
    [entry('d', 'stage', { on: 'date', date: '2026-05-01' }, '25'), entry('s', 'final', stage, '75')],
    '25',
  ],
  [
    'in two parts',
    [
      entry('d', 'deposit', { on: 'acceptance' }, '10'),
      entry('e', 'stage', { on: 'days', days: 1 }, '20'),
      entry('s', 'stage', stage, '70'),
    ],
    '30',
  ],
  // Behind the first that waits for work, a day is no deposit.
  [
    'after work began',
    [entry('s', 'stage', stage, '50'), entry('d', 'stage', { on: 'days', days: 30 }, '50')],
    '0',
  ],
  ['the whole at the end', [entry('f', 'final', { on: 'days', days: 60 }, '100')], '0'],
] as const)('asked for before work: %s', (_, payments, asked) =>
  expect(depositAsked(payments)).toBe(money(asked)),
);

test('the federal holidays of forty years, on their own days', () => {
  for (let year = 2011; year <= 2050; year += 1) {
    const theirs = allForYear(year, { shiftSaturdayHolidays: false, shiftSundayHolidays: false })
      .map(({ dateString }) => dateString.replace(/-(\d)(?!\d)/g, '-0$1'))
      .filter((date) => year >= 2021 || !date.endsWith('-06-19'));
    expect(federalHolidays(year).sort()).toEqual(theirs.sort());
  }
});

test('three business days after signing, counted one by one with the other library', () => {
  const utc = (date: string) => new Date(`${date}T00:00:00Z`);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 365 * 12 }), (days) => {
      const signed = new Date(Date.UTC(2022, 0, 1) + days * 86_400_000).toISOString().slice(0, 10);
      const last = lastDayToCancel(signed);
      let business = 0;
      for (let time = utc(signed).getTime() + 86_400_000; time <= utc(last).getTime(); time += 86_400_000) {
        const day = new Date(time);
        // On its own day, or on the day it is observed on.
        const holiday = [true, false].some((shift) =>
          isAHoliday(day, { shiftSaturdayHolidays: shift, shiftSundayHolidays: shift, utc: true }),
        );
        if (day.getUTCDay() !== 0 && !holiday) business += 1;
      }
      expect(business).toBe(3);
      expect(utc(last).getUTCDay()).not.toBe(0);
    }),
    { numRuns: 500 },
  );
});

// Worked by hand: Thanksgiving 2026 is Thursday, 26 November; 4 July 2026 is a Saturday, observed on Friday the 3rd;
// Christmas 2027 is a Saturday, observed on the Friday; New Year 2028 on Friday, 31 December 2027.
test.each([
  ['2026-11-25', '2026-11-30'],
  ['2026-07-01', '2026-07-07'],
  ['2027-12-22', '2027-12-28'],
  ['2027-12-29', '2028-01-04'],
  ['2026-03-05', '2026-03-09'],
  ['2026-12-31', '2027-01-05'],
])('signed on %s, it can be cancelled until %s', (signed, last) => {
  expect(lastDayToCancel(signed)).toBe(last);
});
