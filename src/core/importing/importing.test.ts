import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import type { CostPart, Load } from '@/model';
import {
  RowError,
  proposeMatching,
  raisedCosts,
  readAreas,
  readItemRows,
  readLoads,
  readNumber,
  sourceOf,
  writeLoads,
} from '.';

test.each([
  ['1,250.50', '1250.5'],
  ['1.250,50', '1250.5'],
  ['3,15', '3.15'],
  ['1,250', '1250'],
  ['$ 3.15', '3.15'],
  ['12 %', '12'],
  ['.5', '0.5'],
  ['0012', '12'],
  ['1.5e-3', '0.0015'],
  ['2E+4', '20000'],
  ['12e0', '12'],
  ['0.12345678', '0.123456'],
  ["'-", null],
  ['', null],
  ['  ', null],
])('a number written %s is %s', (text, value) => {
  if (text === "'-") expect(() => readNumber('x', text)).toThrow('no number');
  else expect(readNumber('x', text)).toBe(value);
});

test.each(['twelve', '1.2.3', '--5', '1e400', '=SUM(A1)', '12 ft', '1234567890123'])(
  '%s is no number and said so',
  (text) => expect(() => readNumber('cost', text)).toThrow(RowError),
);

test('numbers read back as they were written, with a point or a comma', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 99_999_999 }), fc.integer({ min: 1, max: 99 }), (whole, cents) => {
      const places = String(cents).padStart(2, '0').replace(/0+$/, '');
      const value = `${whole}.${places}`;
      const grouped = String(whole).replace(/\B(?=(\d{3})+$)/g, ',');
      expect(readNumber('x', `${grouped}.${places}`)).toBe(value);
      expect(readNumber('x', `${grouped.replace(/,/g, '.')},${String(cents).padStart(2, '0')}`)).toBe(value);
    }),
  );
});

test('columns are matched by how people head them, nothing twice', () => {
  expect(proposeMatching(['SKU', 'Description', 'U.O.M.', 'List Price', 'Notes', 'Name'])).toEqual([
    'code',
    null,
    null,
    'material',
    null,
    'name',
  ]);
  expect(sourceOf(['Item  Code', 'UoM'])).toBe(sourceOf([' item code ', 'UOM']));
});

test('whatever stands in the cells: an item or a sentence', () => {
  const cell = fc.oneof(
    fc.string(),
    fc.constantFrom('', '1', '=1', '-1', 'ea', 'sq ft', 'material whole 5:1', 'yes'),
  );
  fc.assert(
    fc.property(
      fc.record({
        code: cell,
        name: cell,
        unit: cell,
        material: cell,
        labour_hours: cell,
        labour_rate: cell,
        waste: cell,
        breaks: cell,
        loads: cell,
        retired: cell,
        tags: cell,
      }),
      (cells) => {
        try {
          expect(readItemRows([cells]).code).not.toBe('');
        } catch (error) {
          if (!(error instanceof RowError)) throw error;
          expect(error.message).toMatch(/[.”]$/);
        }
      },
    ),
  );
});

describe('loads of an item as text', () => {
  const load = (kind: Load['kind'], percent: string, more: Partial<Load> = {}): Load => ({
    id: `${kind}-1`,
    name: `${kind[0]!.toUpperCase()}${kind.slice(1)}`,
    kind,
    percent,
    base: 'direct',
    ...more,
  });
  test.each<[string, Load[] | undefined]>([
    ['', undefined],
    ['none', []],
    ['profit 12.5 direct', [load('profit', '12.5')]],
    [
      'overhead "Yard; and truck" 10 running on labour equipment; bond 1.5 price',
      [
        load('overhead', '10', {
          name: 'Yard; and truck',
          base: 'running',
          costTypes: ['labour', 'equipment'],
        }),
        load('bond', '1.5', { id: 'bond-2', base: 'price' }),
      ],
    ],
  ])('%j', (text, loads) => {
    expect(readLoads(text)).toEqual(loads);
    if (loads) expect(writeLoads(loads)).toBe(text);
  });
  test.each([
    'profit',
    'profit ten direct',
    'profit 10 total',
    'gain 10 direct',
    'profit 10 direct on wood',
    'profit 4000 direct',
    ';',
  ])('%j is refused in words', (text) => expect(() => readLoads(text)).toThrow(RowError));
});

describe('area factors', () => {
  test('a table by tabs, semicolons or commas, with or without a heading', () => {
    const row = { prefix: 'AB1', name: 'Hills', material: '1.05', labour: '0.9', equipment: '1' };
    expect(readAreas('prefix;name;m;l;e\nab 1;Hills;1,05;0.90;1\n\n')).toEqual([row]);
    expect(readAreas('AB1\tHills\t1.05\t.9\t1')).toEqual([row]);
    expect(readAreas('AB1,Hills,1.05,0.9,1.0')).toEqual([row]);
  });

  test.each([
    ['a;b;1;1', 'Line 1: five cells are wanted'],
    ['1;A;1;1;1\n1;B;1;1;1', 'Line 2: the prefix 1 stands there twice.'],
    ['1;A;1;9;1', 'Line 1: a factor goes from 0.2 to 5, not 9.'],
    ['%;A;1;1;1', 'is no beginning of a ZIP or postal code'],
  ])('%j is refused with its line', (text, words) => expect(() => readAreas(text)).toThrow(words));
});

describe('a percentage on costs', () => {
  test('moves the amounts of its types and nothing else', () => {
    const costs: CostPart[] = [
      { type: 'material', amount: '10' },
      { type: 'labour', hours: '1', rate: '46' },
      { type: 'equipment', amount: '3.3333' },
    ];
    expect(raisedCosts(costs, '4.5', ['material', 'labour'])).toEqual([
      { type: 'material', amount: '10.45' },
      costs[1],
      costs[2],
    ]);
    expect(raisedCosts(costs, '-10', ['equipment'])[2]).toEqual({ type: 'equipment', amount: '3' });
    expect(raisedCosts(costs, '5', ['subcontract'])).toBe(costs);
  });

  // decimal.js as the general-purpose reference.
  test('is what a decimal library makes of it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10 ** 9 }),
        fc.integer({ min: -900_000, max: 900_000 }),
        (n, p) => {
          const amount = new Decimal(n).dividedBy(10_000);
          const percent = new Decimal(p).dividedBy(10_000);
          const [part] = raisedCosts([{ type: 'material', amount: amount.toFixed() }], percent.toFixed(), [
            'material',
          ]);
          expect(part).toMatchObject({
            amount: amount
              .times(percent.dividedBy(100).plus(1))
              .toDecimalPlaces(4, Decimal.ROUND_HALF_UP)
              .toFixed(),
          });
        },
      ),
    );
  });
});
