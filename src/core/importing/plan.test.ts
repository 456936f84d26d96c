/* What an import would do, row by row, without a database: new, changed, left as it is, refused with its reason. */
import type { ItemInput } from '@/model';
import type { KnownItem, Matching } from '.';
import { planImport } from '.';

const matching: Matching = [
  'code',
  'name',
  'unit',
  'material',
  'labour_hours',
  'labour_rate',
  'tax_class',
  'retired',
];
const sill: KnownItem = {
  code: 'S-1',
  name: 'Sill',
  detail: '',
  trade: 'Stone',
  unit: 'ft',
  costs: [{ type: 'material', amount: '4.5' }],
  taxClass: 'taxed',
  costCode: '',
  tags: [],
  internalNote: '',
  retired: false,
};
const plan = (rows: readonly (readonly string[])[], check: (item: ItemInput) => string | null = () => null) =>
  planImport(
    rows.map((cells, i) => ({ row: i + 2, cells })),
    matching,
    { known: new Map([[sill.code, sill]]), taxClasses: ['taxed', 'free'], check },
  );

test('a new one, with what it does not say as usual', () => {
  const { added, changed, left, refused } = plan([['N-1', 'Nail plate', 'each', '0.35', '', '', '', '']]);
  expect([changed, left, refused]).toEqual([[], 0, []]);
  expect(added).toMatchObject([
    {
      row: 2,
      code: 'N-1',
      retired: false,
      changes: [],
      item: { name: 'Nail plate', unit: 'each', trade: 'Other', taxClass: 'taxed' },
    },
  ]);
  expect(added[0]!.item.costs).toEqual([{ type: 'material', amount: '0.35' }]);
});

test('one we have: what differs is named; the same cost written otherwise is no difference', () => {
  expect(plan([['S-1', 'Sill', 'ft', '4.50', '', '', 'taxed', '']])).toMatchObject({ left: 1, changed: [] });
  const { changed, left } = plan([['S-1', 'Sill, slate', 'ft', '5', '', '', 'free', 'yes']]);
  expect(left).toBe(0);
  expect(changed[0]).toMatchObject({
    retired: true,
    changes: [
      'name: Sill → Sill, slate',
      'tax class: taxed → free',
      'cost: material 4.5 → material 5',
      'retired',
    ],
  });
  // What the file does not speak of stays.
  expect(changed[0]!.item).toMatchObject({ trade: 'Stone', costs: [{ type: 'material', amount: '5' }] });
});

test('rows that follow with the same code are more labor of the same item', () => {
  const { added } = plan([
    ['N-2', 'Frame', 'each', '10', '1', '40', '', ''],
    ['N-2', '', '', '', '0.5', '60', '', ''],
  ]);
  expect(added).toHaveLength(1);
  expect(added[0]!.item.costs.filter(({ type }) => type === 'labour')).toMatchObject([
    { hours: '1', rate: '40' },
    { hours: '0.5', rate: '60' },
  ]);
});

test('what cannot be taken is refused with its row and why, and holds nothing else up', () => {
  const { added, refused } = plan(
    [
      ['N-3', '', 'each', '1', '', '', '', ''],
      ['N-4', 'Taxed by another', 'each', '1', '', '', 'luxury', ''],
      ['N-5', 'Good', 'each', '1', '', '', '', ''],
      ['N-6', 'Bad for the library', 'each', '1', '', '', '', ''],
      ['N-5', 'Comes back', 'each', '2', '', '', '', ''],
      ['', 'Without a code', 'each', '1', '', '', '', ''],
    ],
    ({ code }) => (code === 'N-6' ? 'The code N-6 names a bundle.' : null),
  );
  expect(added.map(({ code }) => code)).toEqual(['N-5']);
  expect(refused.map(({ row, why }) => [row, why])).toEqual([
    [2, 'There is no name.'],
    [3, 'The tax class “luxury” is not one of ours.'],
    [5, 'The code N-6 names a bundle.'],
    [6, 'The code N-5 stands in the file twice.'],
    [7, expect.stringMatching(/code/)],
  ]);
  const broken = planImport([{ row: 9, cells: ['X'], trouble: 'The row is too long.' }], matching, {
    known: new Map(),
    taxClasses: ['taxed'],
    check: () => null,
  });
  expect(broken.refused).toEqual([{ row: 9, code: 'X', why: 'The row is too long.' }]);
});
