/*
 * Settling allowances. The values are trade examples (common practice, no source); the rule that the contract sum is
 * adjusted by the difference between actual cost and the allowance, and that the fee for the stated allowance stays in
 * the sum, is AIA A201 §3.8 (from memory).
 */
import fc from 'fast-check';
import type { AllowanceTerms } from '@/core/allowance';
import { dueToDate, settlement, standings } from '@/core/allowance';
import type { AllowanceRule } from '@/model';
import { computeFigures } from '@/core/price';
import { line, plainDocument } from '../support/documents';
import type { Amount } from '@/core/number';
import { parseAmount, parsePercent, sumAmounts } from '@/core/number';

const money = (text: string) => parseAmount(text, 2);
const terms = (rule: AllowanceRule, amount: string, fee = '0', feeOnRest = false): AllowanceTerms => ({
  rule,
  amount: money(amount),
  fee: parsePercent(fee),
  feeOnRest,
});

test.each([
  // Excess 700.00 with a fee margin of 30 %: 700 ÷ 0.7; 840.00 at 25 %: 840 ÷ 0.75.
  [terms('at cost, fee on the excess', '1000', '30'), '1700', '1000.00'],
  [terms('at cost, fee on the excess', '1000', '25'), '1840', '1120.00'],
  // A fixed fee: the difference at cost, either way.
  [terms('at cost, fee fixed', '2400', '20'), '3150', '750.00'],
  [terms('at cost, fee fixed', '2300', '20'), '1850', '-450.00'],
  [terms('at our price', '2300'), '1850', '-450.00'],
  // A rest gives back the cost; the fee too only where the company says so: 450 ÷ 0.75.
  [terms('at cost, fee on the excess', '2300', '25'), '1850', '-450.00'],
  [terms('at cost, fee on the excess', '2300', '25', true), '1850', '-600.00'],
])('%j with %s chosen', (allowance, chosen, due) => {
  expect(dueToDate(allowance, money(chosen))).toBe(money(due));
});

test('a fee that is all of the price, or below nothing, is none', () => {
  const withFee = (fee: string) => () =>
    dueToDate(terms('at cost, fee on the excess', '1000', fee), money('1700'));
  expect(withFee('100')).toThrow('A fee as a margin');
  expect(withFee('99.99')()).toBe(money('7000000.00'));
});

test('the proposal carries the amount, or at cost the amount with its fee', () => {
  const figures = (rule: AllowanceRule) =>
    computeFigures(
      plainDocument([
        {
          id: 's',
          title: 'Bath',
          entries: [
            line('a', '1', '0', {
              allowance: { rule, amount: '2400', fee: '20', shows: 'price', rounds: [] },
            }),
          ],
        },
      ]),
    );
  // 2,400 ÷ 0.8 = 3,000; at our price the fee is inside: 2,400 × 0.8 = 1,920 is left for cost.
  expect(figures('at our price')).toMatchObject({ total: money('2400'), cost: money('1920') });
  expect(figures('at cost, fee fixed')).toMatchObject({ total: money('3000'), cost: money('2400') });
  expect(figures('at cost, fee on the excess')).toMatchObject({ total: money('3000'), cost: money('2400') });
});

test('at our price too, a fee of all of the price leaves nothing for cost and is refused', () => {
  const priced = (fee: string) => () =>
    computeFigures(
      plainDocument([
        {
          id: 's',
          title: 'Bath',
          entries: [
            line('a', '1', '0', {
              allowance: { rule: 'at cost, fee fixed', amount: '10', fee, shows: 'price', rounds: [] },
            }),
          ],
        },
      ]),
    );
  expect(priced('100')).toThrow('A fee as a margin is below 100 %.');
  // 10 ÷ 0.01.
  expect(priced('99')()).toMatchObject({ total: money('1000') });
});

test('three rounds in the order they were signed: what is left, what each adds, what settling gives back', () => {
  const allowance = terms('at cost, fee on the excess', '1000', '20');
  const rounds = ['400', '500', '300'].map(money);
  expect(standings(allowance, rounds).map(({ left, adjustment }) => [left, adjustment])).toEqual([
    [money('600'), 0n],
    [money('100'), 0n],
    // 200 above it: 200 ÷ 0.8.
    [money('-200'), money('250')],
  ]);
  expect(settlement(allowance, rounds)).toBe(0n);
  expect(settlement(allowance, rounds.slice(0, 2))).toBe(money('-100'));
});

test('however it is spent, rounds and settlement together are what is due; afterwards nothing is left', () => {
  const rules: AllowanceRule[] = ['at our price', 'at cost, fee fixed', 'at cost, fee on the excess'];
  fc.assert(
    fc.property(
      fc.constantFrom(...rules),
      fc.bigInt({ min: 0n, max: 1_000_000n }),
      fc.integer({ min: 0, max: 60 }),
      fc.boolean(),
      fc.array(fc.bigInt({ min: -50_000n, max: 500_000n }), { maxLength: 6 }),
      (rule, amount, fee, feeOnRest, drawn) => {
        const allowance = { ...terms(rule, '0', String(fee), feeOnRest), amount: amount as Amount };
        const rounds = drawn as Amount[];
        const adjusted = sumAmounts(standings(allowance, rounds).map(({ adjustment }) => adjustment));
        expect(adjusted + settlement(allowance, rounds)).toBe(dueToDate(allowance, sumAmounts(rounds)));
      },
    ),
  );
});
