import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import type { Amount, Fixed } from '.';
import {
  NotADecimal,
  allocate,
  allocateSigned,
  divideRounded,
  gcd,
  isNothing,
  opposite,
  multiplyToAmount,
  parseAmount,
  parseFixed,
  parsePercent,
  roundFixed,
  showAmount,
  showDecimal,
  showDifference,
  showPercent,
  showQuantity,
  showUnitAmount,
  sumAmounts,
  writeAmount,
  writeFixed,
} from '.';

const big = (limit = 10n ** 15n) => fc.bigInt({ min: -limit, max: limit });
const sum = (parts: readonly bigint[]) => parts.reduce((total, part) => total + part, 0n);

describe('reading and writing decimals', () => {
  test('write ∘ parse is the identity', () => {
    fc.assert(fc.property(big(), (n) => parseFixed(writeFixed(n as Fixed)) === n));
    fc.assert(fc.property(big(), (n) => parseAmount(writeAmount(n as Amount, 2), 2) === n));
  });
  test.each(['', '1e3', '.5', '5.', '1,000', '0.1234567', ' 1', '--1', 'NaN'])('refuses “%s”', (text) => {
    expect(() => parseFixed(text)).toThrow(NotADecimal);
  });
  test('money with more places than its currency has is refused, not rounded', () => {
    expect(() => parseAmount('1.005', 2)).toThrow(NotADecimal);
    expect(parseAmount('150', 0)).toBe(150n);
  });
});

describe('rounding', () => {
  test('half away from zero, negatives mirror', () => {
    expect(divideRounded(5n, 2n)).toBe(3n);
    expect(divideRounded(-5n, 2n)).toBe(-3n);
    expect(divideRounded(5n, -2n)).toBe(-3n);
    expect(() => divideRounded(1n, 0n)).toThrow(RangeError);
  });
  test('agrees with decimal.js on random products and on half-cent ties', () => {
    const oracle = (quantity: bigint, price: bigint) =>
      BigInt(
        new Decimal(quantity.toString())
          .times(price.toString())
          .dividedBy('1e10')
          .toDecimalPlaces(0, Decimal.ROUND_HALF_UP)
          .toFixed(0),
      );
    Decimal.set({ precision: 60 });
    const half = fc
      .bigInt({ min: -1000n, max: 1000n })
      .map((k) => [(2n * k + 1n) * 500_000n, 10_000n] as const);
    const random = fc.tuple(big(10n ** 12n), big(10n ** 10n));
    fc.assert(
      fc.property(fc.oneof(half, random), ([quantity, price]) => {
        expect(multiplyToAmount(quantity as Fixed, price as Fixed, 2)).toBe(oracle(quantity, price));
      }),
    );
  });
  test('to places', () => {
    expect(writeFixed(roundFixed(parseFixed('2.345'), 2))).toBe('2.35');
    expect(writeFixed(roundFixed(parseFixed('-2.345'), 2))).toBe('-2.35');
    expect(parsePercent('8.25')).toBe(82_500n);
  });
});

describe('allocate', () => {
  const weights = fc.array(fc.bigInt({ min: 0n, max: 10n ** 7n }), { minLength: 1, maxLength: 12 });

  test('the worked value of the rules', () => {
    expect(allocate(12625n as Amount, [125000n, 33333n, 9999n])).toEqual([9375n, 2500n, 750n]);
    expect(allocate(100n as Amount, [0n, 0n, 0n])).toEqual([34n, 33n, 33n]);
    expect(() => allocate(1n as Amount, [])).toThrow(RangeError);
  });
  test('parts sum to the whole, none is a unit away from its share, negatives mirror', () => {
    fc.assert(
      fc.property(big(10n ** 9n), weights, (whole, w) => {
        const parts = allocate(whole as Amount, w);
        expect(sum(parts)).toBe(whole);
        const all = sum(w);
        if (all > 0n)
          parts.forEach((part, i) => {
            const off = part * all - whole * w[i]!;
            expect(off < all && off > -all).toBe(true);
          });
        expect(allocate(-whole as Amount, w)).toEqual(parts.map((part) => -part));
      }),
    );
  });
  test('leftovers go to the largest remainders, earlier first: a brute force of the stated rule', () => {
    fc.assert(
      fc.property(fc.bigInt({ min: 0n, max: 10n ** 6n }), weights, (whole, w) => {
        const all = sum(w);
        fc.pre(all > 0n);
        const rows = w.map((weight, i) => ({
          i,
          part: (whole * weight) / all,
          rest: (whole * weight) % all,
        }));
        let left = whole - sum(rows.map((row) => row.part));
        const taken = new Set<number>();
        while (left > 0n) {
          let best = -1;
          for (const { i, rest } of rows)
            if (!taken.has(i) && (best < 0 || rest > rows[best]!.rest)) best = i;
          taken.add(best);
          rows[best]!.part += 1n;
          left -= 1n;
        }
        expect(allocate(whole as Amount, w)).toEqual(rows.map((row) => row.part));
      }),
    );
  });
  test('with credit lines: sums exactly and never passes a weight', () => {
    const signed = fc.array(fc.bigInt({ min: -50_000n, max: 10n ** 6n }), { minLength: 1, maxLength: 9 });
    fc.assert(
      fc.property(signed, fc.nat(1_000_000), (w, millionths) => {
        const all = sum(w);
        fc.pre(all > 0n);
        const whole = (all * BigInt(millionths)) / 1_000_000n;
        const parts = allocateSigned(whole as Amount, w);
        expect(sumAmounts(parts)).toBe(whole);
        parts.forEach((part, i) => {
          const weight = w[i]!;
          expect(weight >= 0n ? part >= 0n && part <= weight : part <= 0n && part >= weight).toBe(true);
        });
      }),
    );
  });
});

// Intl.NumberFormat of the platform as the general-purpose reference; ours writes a true minus sign.
test('money reads as the platform writes it', () => {
  const format = new Intl.NumberFormat('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 });
  fc.assert(
    fc.property(fc.integer({ min: -(10 ** 12), max: 10 ** 12 }), (cents) => {
      const decimal = writeAmount(BigInt(cents) as Amount, 2);
      const expected = format.format(decimal as `${number}`).replace('-', '−');
      expect(showAmount(BigInt(cents) as Amount, 2)).toBe(expected);
      expect(showDecimal(decimal)).toBe(expected);
      expect(showDifference(BigInt(cents) as Amount, 2)).toBe(cents > 0 ? `+${expected}` : expected);
      expect(isNothing(decimal)).toBe(cents === 0);
      expect(parseAmount(opposite(decimal), 2)).toBe(-parseAmount(decimal, 2));
      expect(opposite(opposite(decimal))).toBe(decimal);
    }),
  );
});

describe('display', () => {
  test('grouped, true minus, fixed places', () => {
    expect(showAmount(123456789n as Amount, 2)).toBe('1,234,567.89');
    expect(showAmount(-40000n as Amount, 2)).toBe('−400.00');
    expect(showAmount(1500n as Amount, 0)).toBe('1,500');
    // Past what a binary number holds, every digit is kept.
    expect(showDecimal('-123456789012345678901234.01')).toBe('−123,456,789,012,345,678,901,234.01');
    expect(showDecimal('0.000001')).toBe('0.000001');
    expect(showDecimal('')).toBe('');
    expect(showDifference(131320n as Amount, 2)).toBe('+1,313.20');
    expect(showDifference(0n as Amount, 2)).toBe('0.00');
    expect(showUnitAmount(parseFixed('9.5'))).toBe('9.50');
    expect(showUnitAmount(parseFixed('9.1234'))).toBe('9.1234');
    expect(showQuantity(parseFixed('1196.500'))).toBe('1,196.5');
    expect(showPercent(parseFixed('0.2619'))).toBe('26.2');
  });
});

test('the greatest common divisor divides both, and what is left has none', () => {
  const any = fc.oneof(fc.bigInt(), fc.bigInt({ min: -(2n ** 60n), max: 2n ** 60n }), fc.constant(0n));
  fc.assert(
    fc.property(any, any, fc.bigInt({ min: 1n, max: 10n ** 20n }), (a, b, times) => {
      const common = gcd(a * times, b * times);
      if (a === 0n && b === 0n) {
        expect(common).toBe(0n);
        return;
      }
      expect((a * times) % common).toBe(0n);
      expect((b * times) % common).toBe(0n);
      expect(common % times).toBe(0n);
      expect(gcd((a * times) / common, (b * times) / common)).toBe(1n);
    }),
  );
});
