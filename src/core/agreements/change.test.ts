import fc from 'fast-check';
import type { Contract, SpreadWay } from '@/model';
import type { Amount, Fixed } from '../number';
import { parseAmount, parseFixed, sumAmounts, writeAmount } from '../number';
import { computeFigures } from '../price';
import { spreadChange } from '../schedule';
import { plainDocument } from '../../../tests/support/documents';
import type { AgreedForChange } from './';
import { changeEffect, omissionLine, omissionProblems } from './';

const ways: SpreadWay[] = ['spread', 'next', 'last', 'own'];
const cents = (text: string) => parseAmount(text, 2);

const anyEntries = fc.array(
  fc.record({ amount: fc.bigInt({ min: 0n, max: 900_000n }), billed: fc.boolean() }),
  { maxLength: 7 },
);

test('whichever way, the parts are the change; what is billed stays; nothing falls below zero', () => {
  fc.assert(
    fc.property(
      anyEntries,
      fc.bigInt({ min: -2_000_000n, max: 2_000_000n }),
      fc.constantFrom(...ways),
      (drawn, change, way) => {
        const entries = drawn.map((entry, i) => ({ ...entry, id: `e${i}`, amount: entry.amount as Amount }));
        const { changes, own } = spreadChange(entries, change as Amount, way);
        expect(sumAmounts(changes.map(({ amount }) => amount)) + own).toBe(change);
        for (const { id, amount } of changes) {
          const entry = entries.find((each) => each.id === id)!;
          expect(entry.billed).toBe(false);
          expect(entry.amount + amount >= 0n).toBe(true);
        }
        // A credit of its own is left only where the unbilled payments are used up.
        if (own < 0n && way !== 'own')
          expect(
            entries.filter(({ billed }) => !billed).reduce((sum, { amount }) => sum + amount, 0n) + change,
          ).toBe(own);
      },
    ),
  );
});

test('four ways for 1,000.00 over 500.00 billed, 300.00 and 200.00; and what a reduction does', () => {
  const entries = [
    { id: 'deposit', amount: cents('500'), billed: true },
    { id: 'frame', amount: cents('300'), billed: false },
    { id: 'final', amount: cents('200'), billed: false },
  ];
  const by = (change: string, way: SpreadWay) => {
    const { changes, own } = spreadChange(entries, cents(change), way);
    return [...changes.map(({ id, amount }) => `${id} ${writeAmount(amount, 2)}`), writeAmount(own, 2)];
  };
  expect(by('1000', 'spread')).toEqual(['frame 600.00', 'final 400.00', '0.00']);
  expect(by('1000', 'next')).toEqual(['frame 1000.00', '0.00']);
  expect(by('1000', 'last')).toEqual(['final 1000.00', '0.00']);
  expect(by('1000', 'own')).toEqual(['1000.00']);
  expect(by('-100', 'spread')).toEqual(['frame -60.00', 'final -40.00', '0.00']);
  expect(by('-250', 'last')).toEqual(['final -200.00', 'frame -50.00', '0.00']);
  expect(by('-350', 'next')).toEqual(['frame -300.00', 'final -50.00', '0.00']);
  expect(by('-700', 'spread')).toEqual(['frame -300.00', 'final -200.00', '-200.00']);
});

test('before and after: sum, tax and every payment, with an entry of its own behind them', () => {
  const contract: Contract = {
    agreement: 401,
    title: 'Porch',
    minorDigits: 2,
    original: '1000.00',
    changes: [],
    sum: '1000.00',
    tax: '60.00',
    entries: [
      { id: 'a', name: 'Deposit', amount: '400.00', billed: true },
      { id: 'b', name: 'Final', amount: '600.00', billed: false },
    ],
    mark: '',
  };
  const effect = changeEffect(
    contract,
    { total: cents('106'), taxTotal: cents('6') },
    { number: 3, spread: 'own' },
  );
  expect(effect.sum).toEqual({ before: cents('1000'), after: cents('1106') });
  expect(effect.tax).toEqual({ before: cents('60'), after: cents('66') });
  expect(effect.entries.map(({ id, name, after }) => [id, name, after])).toEqual([
    ['a', 'Deposit', cents('400')],
    ['b', 'Final', cents('600')],
    ['c3', 'Change order 3', cents('106')],
  ]);
  const credit = changeEffect(
    contract,
    { total: cents('-700'), taxTotal: cents('-40') },
    { number: 3, spread: 'spread' },
  );
  expect(credit.entries.map(({ name, after }) => [name, after])).toEqual([
    ['Deposit', cents('400')],
    ['Final', 0n],
    ['Credit of change order 3', cents('-100')],
  ]);
});

const agreed = (more: Partial<AgreedForChange> = {}): AgreedForChange => ({
  id: 'l1',
  section: 'S',
  description: 'Decking',
  unit: 'sqft',
  quantity: '120',
  omitted: '0',
  amount: '1000.00',
  taxClass: 'taxed',
  costCode: '06',
  costs: [
    { type: 'material', amount: '5' },
    { type: 'labour', hours: '0.05', rate: '40' },
  ],
  minorDigits: 2,
  ...more,
});

test('left out in any steps, a line gives back exactly what was agreed for it', () => {
  fc.assert(
    fc.property(
      fc.bigInt({ min: 1n, max: 5_000_000n }),
      fc.array(fc.bigInt({ min: 1n, max: 90_000_000n }), { minLength: 1, maxLength: 5 }),
      (amount, steps) => {
        const whole = steps.reduce((sum, step) => sum + step, 0n) as Fixed;
        let omitted = 0n;
        let back = 0n;
        for (const step of steps) {
          const line = omissionLine(
            agreed({
              quantity: String(Number(whole) / 1e6),
              omitted: String(Number(omitted) / 1e6),
              amount: writeAmount(amount as Amount, 2),
            }),
            step as Fixed,
            'o',
          );
          back -= cents(line.heldPrice!);
          omitted += step;
        }
        expect(back).toBe(-amount);
      },
    ),
  );
});

test('a part of a line: its price and its cost by type, as minus one job of it', () => {
  const line = omissionLine(agreed(), parseFixed('30'), 'o');
  expect(line).toMatchObject({
    description: 'Left out: 30 sq ft of Decking',
    quantity: '-1',
    heldPrice: '250.00',
    costs: [
      { type: 'material', amount: '150' },
      { type: 'labour', hours: '1.5', rate: '40' },
    ],
    omits: { line: 'l1', quantity: '30' },
    costCode: '06',
  });
  const { total, cost } = computeFigures(plainDocument([{ id: 's', title: 'S', entries: [line] }]));
  expect([total, cost]).toEqual([cents('-250'), cents('-210')]);
  expect(() => omissionLine(agreed(), 0n as Fixed, 'o')).toThrow('how much');
  expect(omissionProblems([line, line], [agreed({ quantity: '50' })])).toEqual([
    '“Decking”: 60 sq ft left out, but only 50 of it are still in.',
  ]);
  expect(omissionProblems([line], [])).toEqual(['This leaves out a line that is not in the agreement.']);
});
