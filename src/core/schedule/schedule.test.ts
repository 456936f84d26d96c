import fc from 'fast-check';
import type { ScheduleEntry } from '@/model';
import { anyChoices, anyDocument } from '../../../tests/support/documents';
import { computeFigures } from '../price';
import type { Amount } from '../number';
import { sumAmounts, writeAmount } from '../number';
import { computeSchedule } from '.';

const entry = (id: string, share: ScheduleEntry['share']): ScheduleEntry => ({
  id,
  name: id,
  kind: 'stage',
  share,
  due: { on: 'acceptance' },
});
const percents = (...values: string[]) => values.map((percent, i) => entry(`p${i}`, { percent }));
const amounts = (entries: ScheduleEntry[], total: bigint) =>
  computeSchedule(entries, total as Amount, 2).payments.map(({ amount }) => writeAmount(amount, 2));
const problems = (entries: ScheduleEntry[], total = 100000n) =>
  computeSchedule(entries, total as Amount, 2).problems.join(' ');

test('the worked value: 18,437.65 at 10/30/30/25 % and the rest', () => {
  expect(amounts([...percents('10', '30', '30', '25'), entry('r', { rest: true })], 1843765n)).toEqual([
    '1843.77',
    '5531.30',
    '5531.30',
    '4609.41',
    '921.87',
  ]);
});

test('without a rest entry the last percent entry takes what is left', () => {
  expect(amounts(percents('33.3333', '33.3333', '33.3334'), 10001n)).toEqual(['33.34', '33.34', '33.33']);
});

test('percentages that make 100 leave nothing for the rest, and rounding takes nothing from it', () => {
  const shares = [...percents('22', '25', '28', '25'), entry('r', { rest: true })];
  expect(amounts(shares, 102n)).toEqual(['0.22', '0.26', '0.29', '0.25', '0.00']);
  expect(problems(shares, 102n)).toBe('');
});

test('sums to the total for any document, any choices, any schedule', () => {
  const anyCase = anyDocument().chain((document) =>
    anyChoices(document).map((choices) => ({ document, choices })),
  );
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => {
      const { total } = computeFigures(document, choices);
      expect(
        sumAmounts(computeSchedule(document.schedule, total, 2).payments.map(({ amount }) => amount)),
      ).toBe(total);
    }),
  );
  const share = fc.oneof(
    fc.integer({ min: 0, max: 120 }).map((n) => ({ percent: String(n) })),
    fc.integer({ min: 0, max: 99999 }).map((n) => ({ amount: String(n) })),
    fc.constant({ rest: true as const }),
  );
  fc.assert(
    fc.property(
      fc.array(share, { maxLength: 6 }),
      fc.bigInt({ min: -(10n ** 6n), max: 10n ** 9n }),
      (shares, total) => {
        const { payments } = computeSchedule(
          shares.map((each, i) => entry(`e${i}`, each)),
          total as Amount,
          2,
        );
        expect(sumAmounts(payments.map(({ amount }) => amount))).toBe(total);
        // No payment below zero while the total is not, unless two of them were to take the rest.
        if (total >= 0n) expect(payments.every(({ amount }) => amount >= 0n)).toBe(true);
      },
    ),
  );
});

describe('problems are said in words', () => {
  test.each([
    [percents('50', '40'), 'do not make 100'],
    [[entry('a', { amount: '1500' }), entry('r', { rest: true })], 'more than the total'],
    [[...percents('60', '60'), entry('r', { rest: true })], 'Nothing is left for “r”'],
    [[entry('a', { amount: '900' })], 'do not make the total'],
    [[entry('r', { rest: true }), entry('s', { rest: true })], 'Only one payment can be the balance'],
  ])('case %#', (entries, words) => expect(problems(entries)).toContain(words));

  test('none for a schedule that works out', () => {
    expect(problems([...percents('10', '40'), entry('r', { rest: true })])).toBe('');
    expect(problems(percents('10', '90'))).toBe('');
    expect(problems([])).toBe('');
  });
});
