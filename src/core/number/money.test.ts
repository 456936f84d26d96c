import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import {
  addAmounts,
  amount,
  isBelowZero,
  isNothing,
  lesserAmount,
  moneyOf,
  negateAmount,
  opposite,
  subtractAmounts,
  withoutSign,
} from '.';

const amounts = fc.bigInt({ min: -(10n ** 17n), max: 10n ** 17n }).map(amount);

// decimal.js, a general-purpose library, adds the same.
test('sums and differences are those of decimals, written and read without loss', () => {
  fc.assert(
    fc.property(amounts, amounts, fc.integer({ min: 0, max: 4 }), (a, b, digits) => {
      const money = moneyOf(digits);
      const [x, y] = [new Decimal(money.write(a)), new Decimal(money.write(b))];
      expect(money.write(addAmounts(a, b))).toBe(
        x
          .plus(y)
          .toFixed(digits)
          .replace(/^-(0(\.0+)?)$/, '$1'),
      );
      expect(subtractAmounts(a, b)).toBe(addAmounts(a, negateAmount(b)));
      expect(lesserAmount(a, b)).toBe(x.lessThanOrEqualTo(y) ? a : b);
      expect(money.parse(money.write(a))).toBe(a);
      expect(money.show(a).replace(/,/g, '').replace('−', '-')).toBe(money.write(a));
      expect(isBelowZero(money.write(a))).toBe(x.isNegative() && !x.isZero());
      expect(isNothing(money.write(a))).toBe(x.isZero());
      if (!x.isZero()) expect(opposite(money.write(a))).toBe(money.write(negateAmount(a)));
      expect(withoutSign(money.write(a))).toBe(x.abs().toFixed(digits));
    }),
  );
});

test('money of a currency is one thing, and says differences with their sign', () => {
  expect(moneyOf(2)).toBe(moneyOf(2));
  expect([131320n, -4000n, 0n].map((each) => moneyOf(2).showDifference(each))).toEqual([
    '+1,313.20',
    '−40.00',
    '0.00',
  ]);
  expect(isBelowZero('-0.00')).toBe(false);
});
