import fc from 'fast-check';
import type { Amount } from '../number';
import { refundableOnCard } from '.';

const of = (...parts: [bigint, bigint, bigint, bigint]) =>
  refundableOnCard(...(parts as [Amount, Amount, Amount, Amount]));

test.each([
  // Taken, gone, refunded on it, credit: what can go back.
  [100n, 0n, 0n, 300n, 100n],
  [100n, 0n, 30n, 300n, 70n],
  [100n, 0n, 0n, 20n, 20n],
  [100n, 100n, 0n, 300n, 0n],
  [100n, 100n, 30n, 300n, 0n],
  [100n, 0n, 0n, 0n, 0n],
  [100n, 0n, 0n, -5n, 0n],
])('%s taken, %s gone, %s refunded, credit %s: %s', (amount, gone, refunded, credit, left) =>
  expect(of(amount, gone, refunded, credit)).toBe(left),
);

test('never more than the card paid and the customer has, never below zero', () => {
  const cents = fc.bigInt({ min: 0n, max: 10_000n });
  fc.assert(
    fc.property(
      cents,
      cents,
      cents,
      fc.bigInt({ min: -10_000n, max: 10_000n }),
      (amount, gone, refunded, credit) => {
        const left = of(amount, gone, refunded, credit);
        expect(left).toBeGreaterThanOrEqual(0n);
        if (left > 0n) {
          expect(left).toBeLessThanOrEqual(credit);
          expect(left + refunded + gone).toBeLessThanOrEqual(amount);
        }
      },
    ),
  );
});
