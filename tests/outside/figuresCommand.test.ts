/*
 * What `npm run -s figures` prints for the example of docs/formats, against figures worked out by hand in the comments.
 * Rules: the trade's (common practice, no source): overhead on direct cost, profit on the running amount, tax on the
 * discounted sum, each tax rounded once.
 */
import { spawnSync } from 'node:child_process';

interface Report {
  readonly sections: readonly {
    readonly lines: readonly {
      readonly id: string;
      readonly unitPrice: string;
      readonly included: boolean;
    }[];
    readonly net: string;
  }[];
  readonly [name: string]: unknown;
}

const run = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/figures.ts', ...args], { encoding: 'utf8' });
const figures = (...args: string[]): Report => JSON.parse(run(...args).stdout) as Report;
const example = 'docs/formats/example.json';

test('the default choices', () => {
  const report = figures(example);
  // 10,000 × 1.1 × 1.15 = 12,650.00; 6 × 1.265 = 7.59, × 196 = 1,487.64.
  expect(report.sections.map(({ net }) => net)).toEqual(['14137.64', '0.00']);
  expect(report).toMatchObject({
    cost: '11176.00',
    priced: '14137.64',
    discounts: { linesAndSections: '0.00', whole: '400.00', sum: '400.00' },
    subtotal: '13737.64',
    fees: [{ id: 'permit', name: 'Building permit', amount: '385.00' }],
    // 13,737.64 × 5 % = 686.882; × 1.25 % = 171.7205.
    tax: [
      { name: 'State', base: '13737.64', amount: '686.88' },
      { name: 'County', base: '13737.64', amount: '171.72' },
    ],
    taxTotal: '858.60',
    total: '14981.24',
    // 10 %, 40 % (5,992.496), 35 % (5,243.434), and what is left.
    schedule: [
      { id: 'deposit', amount: '1498.12' },
      { id: 'frame-stands', amount: '5992.50' },
      { id: 'boards-down', amount: '5243.43' },
      { id: 'final', amount: '2247.19' },
    ],
  });
});

test('choices of a customer: ash boards and three lights', () => {
  const report = figures(example, '--choices', 'docs/formats/example-choices.json');
  // 12,650.00 + 196 × 15.18 = 2,975.28; 3 × 50.60 = 151.80; less 400.00, plus 385.00 and 6.25 % in two roundings.
  expect(report.sections.map(({ net }) => net)).toEqual(['15625.28', '151.80']);
  expect(report).toMatchObject({ subtotal: '15377.08', taxTotal: '961.06', total: '16723.14' });
  const pine = report.sections[0]!.lines.find(({ id }) => id === 'pine-boards');
  expect(pine).toMatchObject({ included: false, unitPrice: '7.59' });
});

test.each([
  [['no-such-file.json'], 'no-such-file.json'],
  [['package.json'], 'is missing'],
  [[example, '--choices', 'docs/formats/example.json'], 'is missing'],
  [[], 'Usage'],
])('%j is refused with a sentence and nothing on standard output', (args, words) => {
  const { status, stdout, stderr } = run(...args);
  expect([status, stdout]).toEqual([1, '']);
  expect(stderr).toContain(words);
});

test('the range over all choices', () => {
  const { range } = figures(example, '--range') as unknown as {
    range: Record<'lowest' | 'highest' | 'lowestMargin', { total: string; choices: unknown }> & {
      exact: boolean;
    };
  };
  // Ash is 1,487.64 more; six lights are 6 × 50.60 = 303.60: 15,528.88, taxed 776.44 and 194.11, and the permit.
  expect([range.lowest.total, range.highest.total, range.exact]).toEqual(['14981.24', '16884.43', true]);
  expect(range.highest.choices).toEqual({
    extras: { 'stair-light': { in: true, quantity: '6' } },
    questions: { boards: 'ash' },
  });
});

test('shaped to a margin of 25 %: 11,176.00 ÷ 0.75, met to the cent', () => {
  const { shaped } = figures(example, '--target', 'margin:25') as unknown as {
    shaped: { goal: { amount: string }; missing: string; profit: string; prices: { after: string }[] };
  };
  expect(shaped).toMatchObject({
    goal: { of: 'subtotalBeforeTax', amount: '14901.33' },
    missing: '0.00',
    profit: '3725.33',
  });
  // 15,301.33 before the discount of 400.00: 196 × 8.21 = 1,609.16, and the frame the rest.
  expect(shaped.prices.map(({ after }) => after)).toEqual(['13692.17', '8.21']);
});

test('shaped to a total, evenly; what is no target is said', () => {
  const { shaped } = figures(example, '--target', '16000', '--spread', 'even') as unknown as {
    shaped: { total: string; missing: string };
  };
  expect(shaped).toMatchObject({ total: '16000.00', missing: '0.00' });
  expect(run(example, '--target', 'cheap').stderr).toContain('--target is a total');
});
