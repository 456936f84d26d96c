/*
 * Formulas against HyperFormula, a general-purpose spreadsheet library that knows nothing of ours. Random trees of
 * arithmetic, comparison and the listed functions are written once in our syntax and once as a spreadsheet formula; both
 * must come to the same. It computes in doubles and rounds a little itself, so figures agree to eight digits, and places
 * where a double could fall on the other side of a step are left out. (Its INT cuts towards zero, so floor and ceil are
 * written there with ROUNDUP and ROUNDDOWN.)
 */
import fc from 'fast-check';
import { HyperFormula } from 'hyperformula';
import { FormulaError, evaluate, readFormula } from '@/core/formula';
import { integer } from '@/core/number';
import { runs } from '../support/documents';

interface Written {
  readonly ours: string;
  readonly sheet: string;
  readonly value: number;
  /** The double is the exact value: sums and products of eighths, without a division. */
  readonly exact: boolean;
  /** Somewhere in it a double may have fallen on the other side of a step than the exact value. */
  readonly risky: boolean;
}

const names = { run: 37.5, bay: 6, risers: 14, slope: 0.25 } as const;
const leaf: fc.Arbitrary<Written> = fc.oneof(
  fc
    .integer({ min: 0, max: 60 })
    .map((n) => ({ ours: `${n}`, sheet: `${n}`, value: n, exact: true, risky: false })),
  fc.integer({ min: 1, max: 400 }).map((n) => {
    const text = `${Math.floor(n / 8)}.${['0', '125', '25', '375', '5', '625', '75', '875'][n % 8]}`;
    return { ours: text, sheet: text, value: n / 8, exact: true, risky: false };
  }),
  fc
    .constantFrom(...(Object.entries(names) as [keyof typeof names, number][]))
    .map(([name, value]) => ({ ours: name, sheet: `${value}`, value, exact: true, risky: false })),
);
const any = (parts: readonly Written[], of: 'risky') => parts.some((part) => part[of]);
const all = (parts: readonly Written[]) => parts.every(({ exact }) => exact);
const infix = (sign: string, of: (a: number, b: number) => number) => (a: Written, b: Written) => ({
  ours: `(${a.ours} ${sign} ${b.ours})`,
  sheet: `(${a.sheet}${sign}${b.sheet})`,
  value: of(a.value, b.value),
  exact: sign !== '/' && all([a, b]) && Math.abs(of(a.value, b.value)) < 1e9,
  risky: any([a, b], 'risky'),
});
/** Within a hair of a step: of a whole number (step 0), or of a half (step 0.5). */
const near = (value: number, step: number) =>
  Math.abs(value - step - Math.round(value - step)) < 1e-6 * Math.max(1, Math.abs(value));
/** Equal or nearly so, where a double or the library's own rounding could say either. */
const close = (a: Written, b: Written) => {
  const off = Math.abs(a.value - b.value);
  return off < 1e-6 * Math.max(1, Math.abs(a.value)) && !(off === 0 && a.exact && b.exact);
};
const call =
  (
    name: string,
    sheet: (args: string[]) => string,
    of: (...values: number[]) => number,
    step: number | null = null,
  ) =>
  (...args: Written[]): Written => ({
    ours: `${name}(${args.map((arg) => arg.ours).join(', ')})`,
    sheet: sheet(args.map((arg) => arg.sheet)),
    value: of(...args.map((arg) => arg.value)),
    // What a step gives is a whole number.
    exact: step !== null || all(args),
    risky: any(args, 'risky') || (step !== null && !all(args) && near(args[0]!.value, step)),
  });

const { tree } = fc.letrec<{ tree: Written }>((tie) => {
  const two = fc.tuple(tie('tree'), tie('tree'));
  return {
    tree: fc.oneof(
      { maxDepth: 4, withCrossShrink: true },
      leaf,
      two.map(([a, b]) => infix('+', (x, y) => x + y)(a, b)),
      two.map(([a, b]) => infix('-', (x, y) => x - y)(a, b)),
      two.map(([a, b]) => infix('*', (x, y) => x * y)(a, b)),
      two.map(([a, b]) => infix('/', (x, y) => x / y)(a, b)),
      two.map(([a, b]) => call('min', (args) => `MIN(${args.join(',')})`, Math.min)(a, b)),
      two.map(([a, b]) => call('max', (args) => `MAX(${args.join(',')})`, Math.max)(a, b)),
      tie('tree').map(
        call(
          'ceil',
          ([x]) => `IF(${x}>=0,ROUNDUP(${x},0),ROUNDDOWN(${x},0))`,
          (x) => -Math.floor(-x!),
          0,
        ),
      ),
      tie('tree').map(
        call(
          'floor',
          ([x]) => `IF(${x}>=0,ROUNDDOWN(${x},0),ROUNDUP(${x},0))`,
          (x) => Math.floor(x!),
          0,
        ),
      ),
      tie('tree').map(
        call(
          'round',
          ([x]) => `ROUND(${x},0)`,
          (x) => Math.sign(x!) * Math.round(Math.abs(x!)),
          0.5,
        ),
      ),
      fc
        .tuple(tie('tree'), fc.constantFrom('<', '<=', '>', '>='), tie('tree'), tie('tree'), tie('tree'))
        .map(([a, sign, b, yes, no]): Written => {
          const holds = {
            '<': a.value < b.value,
            '<=': a.value <= b.value,
            '>': a.value > b.value,
            '>=': a.value >= b.value,
          };
          return {
            ours: `if(${a.ours} ${sign} ${b.ours}, ${yes.ours}, ${no.ours})`,
            sheet: `IF(${a.sheet}${sign}${b.sheet},${yes.sheet},${no.sheet})`,
            value: holds[sign as keyof typeof holds] ? yes.value : no.value,
            exact: all([yes, no]),
            risky: any([a, b, yes, no], 'risky') || close(a, b),
          };
        }),
    ),
  };
});

const scope = (name: string) => {
  const value = names[name as keyof typeof names];
  return value === undefined
    ? undefined
    : {
        kind: 'number' as const,
        ratio: { top: BigInt(value * 1000), bottom: integer(1000n).top },
        exponent: 0,
        firm: false,
      };
};

test('random formulas come to what a spreadsheet library makes of them', () => {
  const engine = HyperFormula.buildFromArray([[0]], { licenseKey: 'gpl-v3', precisionRounding: 12 });
  const seen = { same: 0, divided: 0, skipped: 0 };
  fc.assert(
    fc.property(tree, (written) => {
      if (written.ours.length > 480 || written.risky) {
        seen.skipped += 1;
        return;
      }
      engine.setCellContents({ sheet: 0, row: 0, col: 0 }, [[`=${written.sheet}`]]);
      const theirs = engine.getCellValue({ sheet: 0, row: 0, col: 0 });
      let ours: number;
      try {
        const value = evaluate(readFormula(written.ours), scope);
        if (value.kind !== 'number') throw new Error('no number');
        ours = Number((value.ratio.top * 10n ** 12n) / value.ratio.bottom) / 1e12;
      } catch (error) {
        if (!(error instanceof FormulaError)) throw error;
        // What we refuse, the spreadsheet refuses too: a division by zero.
        expect(error.message).toMatch(/zero|large/);
        seen.divided += 1;
        return;
      }
      expect(typeof theirs).toBe('number');
      if (typeof theirs !== 'number') return;
      const off = Math.abs(ours - theirs);
      expect(off).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(theirs)));
      seen.same += 1;
    }),
    { numRuns: runs(1500) },
  );
  expect(seen.same).toBeGreaterThan(1000);
  expect(seen.divided).toBeGreaterThan(0);
});
