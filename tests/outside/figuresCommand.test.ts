/*
 * What `npm run -s figures` prints for the example of docs/formats, against figures worked out by hand in the comments.
 * Rules: the trade's (common practice, no source): overhead on direct cost, profit on the running amount, tax on the
 * discounted sum, each tax rounded once.
 */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

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

describe('what is asked for wrongly, or cannot be computed, is said', () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'figures-'));
  afterAll(() => fs.rmSync(folder, { recursive: true }));
  const given = JSON.parse(fs.readFileSync(example, 'utf8')) as Record<string, unknown>;
  const file = (name: string, text: string) => {
    const at = path.join(folder, name);
    fs.writeFileSync(at, text);
    return at;
  };
  const withDocument = (name: string, more: object) => file(name, JSON.stringify({ ...given, ...more }));

  test('an opening as large as the walls leaves walls of nothing, and a total', () => {
    const at = withDocument('walls.json', {
      sections: [
        {
          id: 's',
          title: 'Room',
          // 2 × (3 + 3) × 8 = 96 sq ft of walls, and an opening of 12 by 8.
          space: {
            shape: { kind: 'rectangle', length: { value: '3' }, width: { value: '3' } },
            height: { value: '8' },
            openings: [
              { id: 'o', name: 'Opening', width: { value: '12' }, height: { value: '8' }, count: 1 },
            ],
          },
          entries: [
            {
              kind: 'line',
              id: 'l',
              description: 'Paint',
              unit: 'sqft',
              quantity: '1',
              formula: 'walls',
              costs: [{ type: 'material', amount: '1' }],
              taxClass: (given.taxClasses as { id: string }[])[0]!.id,
            },
          ],
        },
      ],
    });
    const { status, stdout, stderr } = run(at);
    expect([status, stderr]).toEqual([0, '']);
    expect((JSON.parse(stdout) as Report).sections[0]!.net).toBe('0.00');
  });

  test('a formula that cannot be computed: incomplete, at the top, on standard error, and exit 2', () => {
    const at = withDocument('trouble.json', {
      sections: [
        {
          id: 's',
          title: 'Room',
          entries: [
            {
              kind: 'line',
              id: 'l',
              description: 'Paint',
              unit: 'sqft',
              quantity: '1',
              formula: 'walls * 2',
              costs: [{ type: 'material', amount: '1' }],
              taxClass: (given.taxClasses as { id: string }[])[0]!.id,
            },
          ],
        },
      ],
    });
    const { status, stdout, stderr } = run(at);
    expect(status).toBe(2);
    expect(stderr).toContain('incomplete, one part cannot be computed');
    expect(Object.keys(JSON.parse(stdout) as object).slice(0, 2)).toEqual(['incomplete', 'troubles']);
    expect(JSON.parse(stdout)).toMatchObject({ incomplete: true, troubles: [{ partId: 'l' }] });
  });

  test.each([
    ['an option that is none', ['--foo', example], '--foo'],
    ['a second file', [example, 'docs/formats/example-choices.json'], 'One file at a time'],
    [
      'choices on an agreement',
      ['docs/formats/example-agreement.json', '--choices', 'x.json'],
      '--choices goes with a proposal',
    ],
    ['another format', [file('other.json', '{"format":"other"}')], '“format” is "other"'],
    [
      'another version',
      [file('version.json', '{"format":"impegno-proposal","formatVersion":2}')],
      '“formatVersion” is 2',
    ],
    ['no JSON', [file('no.json', '{')], 'JSON'],
  ])('%s', (_, args, words) => {
    const { status, stdout, stderr } = run(...args);
    expect([status, stdout]).toEqual([1, '']);
    expect(stderr).toContain(words);
    expect(stderr).not.toContain('    at ');
  });

  test('one wrong field is one sentence', () => {
    const { status, stderr } = run(withDocument('field.json', { title: '' }));
    expect(status).toBe(1);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stderr).toContain('/title');
  });

  test('a byte-order mark is read over; many documents, one a line, are many reports, one a line', () => {
    expect(run(file('bom.json', `\uFEFF${JSON.stringify(given)}`)).status).toBe(0);
    const { stdout } = run(file('many.jsonl', `${JSON.stringify(given)}\n${JSON.stringify(given)}\n`));
    const totals = stdout
      .trim()
      .split('\n')
      .map((line) => (JSON.parse(line) as Report).total);
    expect(totals).toEqual(['14981.24', '14981.24']);
  });
});
