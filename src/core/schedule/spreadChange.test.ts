import fc from 'fast-check';
import type { SpreadWay } from '@/model';
import type { Amount } from '../number';
import { spreadChange } from '.';

const entry = (id: string, amount: number, billed = false) => ({
  id,
  amount: BigInt(amount) as Amount,
  billed,
});
const three = [entry('a', 1000, true), entry('b', 2000), entry('c', 1000)];
const put = (change: number, way: SpreadWay, entries = three) => {
  const { changes, own } = spreadChange(entries, BigInt(change) as Amount, way);
  return [Object.fromEntries(changes.map(({ id, amount }) => [id, Number(amount)])), Number(own)];
};

test('more: over what is not billed by what it comes to, on the next, on the last, or by itself', () => {
  expect(put(100, 'spread')).toEqual([{ b: 67, c: 33 }, 0]);
  expect(put(100, 'next')).toEqual([{ b: 100 }, 0]);
  expect(put(100, 'last')).toEqual([{ c: 100 }, 0]);
  expect(put(100, 'own')).toEqual([{}, 100]);
  expect(put(100, 'spread', [entry('a', 1000, true)])).toEqual([{}, 100]);
  // What comes to nothing, or is in the customer's favour, bears nothing of it.
  expect(put(100, 'spread', [entry('a', 0), entry('b', 100), entry('c', -50)])).toEqual([{ b: 100 }, 0]);
});

test('less: nothing falls below zero; what one cannot bear the others do, and the rest is by itself', () => {
  expect(put(-300, 'spread')).toEqual([{ b: -200, c: -100 }, 0]);
  expect(put(-2500, 'next')).toEqual([{ b: -2000, c: -500 }, 0]);
  expect(put(-1500, 'last')).toEqual([{ c: -1000, b: -500 }, 0]);
  expect(put(-3500, 'spread')).toEqual([{ b: -2000, c: -1000 }, -500]);
  // What is in the customer's favour already bears nothing more.
  expect(put(-100, 'next', [entry('a', -50), entry('b', 80)])).toEqual([{ b: -80 }, -20]);
  expect(put(-100, 'spread', [entry('a', 0), entry('b', -80)])).toEqual([{}, -100]);
});

test('changes and the entry of its own are the change, and what is billed stays', () => {
  const anyEntry = fc.record({
    amount: fc.bigInt({ min: -500n, max: 5_000n }).map((value) => value as Amount),
    billed: fc.boolean(),
  });
  fc.assert(
    fc.property(
      fc.array(anyEntry, { maxLength: 6 }),
      fc.bigInt({ min: -20_000n, max: 20_000n }),
      fc.constantFrom<SpreadWay>('spread', 'next', 'last', 'own'),
      (drawn, change, way) => {
        const entries = drawn.map((each, i) => ({ id: `e${i}`, ...each }));
        const { changes, own } = spreadChange(entries, change as Amount, way);
        expect(changes.reduce((sum, { amount }) => sum + amount, 0n) + own).toBe(change);
        for (const { id, amount } of changes) {
          const at = entries.find((each) => each.id === id)!;
          expect(at.billed).toBe(false);
          if (amount < 0n) expect(at.amount + amount).toBeGreaterThanOrEqual(0n);
          expect(amount).not.toBe(0n);
        }
      },
    ),
  );
});
