import { groupFigures } from '@/core/insight';
import { computeFigures } from '@/core/price';
import type { BundleFigures } from '@/core/price';
import { bundle, line, plainDocument } from '../../../../../tests/support/documents';
import type { SortBy } from './order';
import { orderedBy } from './order';
import type { SheetView } from './rows';
import { sheetRows } from './rows';

const items = {
  post: {
    description: 'Post',
    unit: 'each' as const,
    costs: [{ type: 'material' as const, amount: '10' }],
    taxClass: 'taxed',
    trade: 'Frame',
  },
};
const document = plainDocument([
  {
    id: 's',
    title: 'Porch',
    phase: 'First',
    room: 'Outside',
    entries: [
      line('a', '1', '1', { trade: 'Roof', quantityOpen: true }),
      bundle('b', items, [{ id: 'p', name: 'posts', item: 'post', quantity: '3' }], {
        trade: 'Frame',
        phase: 'Second',
        added: [line('c', '1', '1')],
      }),
    ],
  },
  {
    id: 't',
    title: 'Steps',
    entries: [
      {
        kind: 'question',
        id: 'q',
        prompt: 'Which?',
        suggested: 'x',
        alternatives: [
          { id: 'x', name: 'X', lines: [line('d', '1', '1', { heldPrice: '5', trade: 'Frame' })] },
        ],
      },
    ],
  },
  { id: 'u', title: 'Later', entries: [] },
]);
const bundles = new Map<string, BundleFigures>(
  computeFigures(document).sections.flatMap((section) => [...section.bundles]),
);
const keys = (view: Partial<SheetView> = {}) =>
  sheetRows({
    document,
    bundles,
    troubles: new Set(),
    view: { folded: new Set(), opened: new Set(), filter: null, grouping: null, order: null, ...view },
  }).map(({ key }) => key);

test('everything in order, each key once, an empty section with its hint', () => {
  expect(keys()).toEqual(['s', 'a', 'b', 't', 'q', 'x', 'd', 'u', 'u hint']);
});

test('what is opened stands below, what is folded is hidden', () => {
  expect(keys({ opened: new Set(['b', 'a', 's space']) })).toEqual([
    ...['s', 's space', 'a', 'a details', 'b', 'b inputs', 'b part p', 'c'],
    ...['t', 'q', 'x', 'd', 'u', 'u hint'],
  ]);
  expect(keys({ folded: new Set(['s', 'u']) })).toEqual(['s', 't', 'q', 'x', 'd', 'u']);
});

test('a filter leaves what fits, with its section', () => {
  expect(keys({ filter: 'untouched' })).toEqual(['s', 'a']);
  expect(keys({ filter: 'held' })).toEqual(['t', 'q', 'x', 'd']);
  expect(keys({ filter: 'questions' })).toEqual(['t', 'q', 'x', 'd']);
  expect(keys({ filter: 'extras' })).toEqual([]);
});

test('gathered by trade or phase: every entry once, in no other section than before', () => {
  expect(keys({ grouping: 'trade' })).toEqual(['group Roof', 'a', 'group Frame', 'b', 'q', 'x', 'd']);
  expect(keys({ grouping: 'phase' })).toEqual([
    'group First',
    'a',
    'group Second',
    'b',
    'group ',
    'q',
    'x',
    'd',
  ]);
});

test('gathered by room: of the entry, else of its section, else the section itself where it is a space', () => {
  const roomed = plainDocument([
    {
      id: 's',
      title: 'Walls',
      room: 'Den',
      entries: [line('a', '1', '1'), line('b', '1', '1', { room: 'Hall' })],
    },
    {
      id: 't',
      title: 'Hall',
      space: { shape: { kind: 'rectangle', length: { value: '3' }, width: { value: '4' } }, openings: [] },
      entries: [line('c', '1', '1')],
    },
    { id: 'u', title: 'Fees', entries: [line('d', '1', '1')] },
  ]);
  const figures = computeFigures(roomed);
  expect(
    sheetRows({
      document: roomed,
      bundles: new Map(),
      troubles: new Set(),
      view: { folded: new Set(), opened: new Set(), filter: null, grouping: 'room', order: null },
    }).map(({ key }) => key),
  ).toEqual(['group Den', 'a', 'group Hall', 'b', 'c', 'group ', 'd']);
  expect(groupFigures(figures, 'room').map(({ name, net }) => [name, net])).toEqual([
    ['Den', 100n],
    ['Hall', 200n],
    ['', 100n],
  ]);
});

test('one list without sections, sorted as it was asked for; what is added since comes last', () => {
  const figures = {
    bundles,
    lines: new Map(
      computeFigures(document).sections.flatMap(({ lines }) => lines.map((each) => [each.line.id, each])),
    ),
  };
  expect(keys({ grouping: 'list' })).toEqual(['a', 'b', 'q', 'x', 'd']);
  const ids = (by: SortBy, descending: boolean) => orderedBy(document, figures, by, descending).ids;
  // 1.00, 31.00 (three posts at 10 and a line at 1), and a question, which has no amount: last either way.
  expect(ids('amount', false)).toEqual(['a', 'b', 'q']);
  expect(ids('amount', true)).toEqual(['b', 'a', 'q']);
  expect(ids('section', true)).toEqual(['q', 'a', 'b']);
  expect(ids('phase', true)).toEqual(['b', 'a', 'q']);
  expect(ids('hours', false)).toEqual(['a', 'b', 'q']);
  const order = { by: 'amount' as const, descending: true, ids: ['b', 'a'] };
  expect(keys({ grouping: 'list', order })).toEqual(['b', 'a', 'q', 'x', 'd']);
  expect(keys({ grouping: 'list', order, filter: 'untouched' })).toEqual(['a']);
});
