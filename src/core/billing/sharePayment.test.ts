import fc from 'fast-check';
import type { Amount } from '../number';
import { sumAmounts } from '../number';
import { sharePayment } from '.';

const agreement = (id: string, ...invoices: readonly (readonly [string, bigint])[]) => ({
  id,
  invoices: invoices.map(([dueOn, open]) => ({ dueOn, open: open as Amount })),
});
const share = (amount: bigint, ...agreements: readonly ReturnType<typeof agreement>[]) =>
  sharePayment(amount as Amount, agreements).map((each) => [each.id, each.amount]);

test('what is due first is paid first, across agreements; what is over is credit on the newest', () => {
  const a = agreement('a', ['2026-03-01', 500n], ['2026-01-01', 100n]);
  const b = agreement('b', ['2026-02-01', 200n]);
  expect(share(100n, a, b)).toEqual([['a', 100n]]);
  expect(share(250n, a, b)).toEqual([
    ['a', 100n],
    ['b', 150n],
  ]);
  expect(share(900n, a, b)).toEqual([
    ['a', 700n],
    ['b', 200n],
  ]);
  expect(share(5n, agreement('c'), a)).toEqual([['a', 5n]]);
  expect(share(5n, agreement('c'), agreement('d', ['2026-01-01', 0n]))).toEqual([['c', 5n]]);
});

test('whatever is open, the shares are the amount, and none but the newest gets more than is open on it', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 100_000 }),
      fc.array(
        fc.array(
          fc.tuple(fc.constantFrom('2026-01-01', '2026-02-01', '2026-03-01'), fc.bigInt(0n, 20_000n)),
          {
            maxLength: 4,
          },
        ),
        { minLength: 1, maxLength: 5 },
      ),
      (amount, invoices) => {
        const all = invoices.map((each, i) => agreement(`a${i}`, ...each));
        const shares = sharePayment(BigInt(amount) as Amount, all);
        expect(sumAmounts(shares.map((each) => each.amount))).toBe(BigInt(amount));
        for (const { id, amount: part } of shares)
          if (id !== 'a0')
            expect(
              part <= sumAmounts(all.find((each) => each.id === id)!.invoices.map(({ open }) => open)),
            ).toBe(true);
      },
    ),
  ));
