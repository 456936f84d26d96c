import fc from 'fast-check';
import type { ListSpec, ListState } from './listState';
import { isNarrowed, readListState, readRange, shownColumns, sumColumn, writeListState } from './listState';

const spec: ListSpec = {
  name: 'invoices',
  columns: [
    { key: 'number', title: 'No.', kind: 'text' },
    { key: 'due', title: 'Due', kind: 'date' },
    { key: 'open', title: 'Open', kind: 'amount', total: true },
    { key: 'note', title: 'Note', kind: 'text', shown: false, unsorted: true },
  ],
  filters: [
    {
      key: 'state',
      label: 'State',
      kind: 'choice',
      options: [
        { value: 'out', label: 'Outstanding' },
        { value: 'paid', label: 'Paid' },
        { value: 'doors, 100 %2C', label: 'With a comma' },
      ],
    },
    { key: 'late', label: 'Late only', kind: 'flag' },
    { key: 'issued', label: 'Issued', kind: 'days' },
    { key: 'amount', label: 'Amount', kind: 'amounts' },
    { key: 'of', label: 'Of', kind: 'thing' },
  ],
  sort: { by: 'due', down: false },
};

const states: fc.Arbitrary<ListState> = fc.record({
  search: fc.string({ maxLength: 60 }).filter((text) => text.trim() !== '' || text === ''),
  sort: fc.record({ by: fc.constantFrom('number', 'due', 'open'), down: fc.boolean() }),
  filters: fc
    .record({
      state: fc.constantFrom<string[]>(['out'], ['paid'], ['out', 'paid'], ['paid', 'doors, 100 %2C']),
      late: fc.constantFrom<string[]>(['1']),
      issued: fc.constantFrom<string[]>(['2026-01-01..'], ['..2026-03-31'], ['2026-01-01..2026-03-31']),
      amount: fc.constantFrom<string[]>(['100..'], ['-5.50..20']),
      of: fc.uuid().map((id) => [id]),
    })
    .chain((all) => fc.subarray(Object.keys(all)).map((keys) => pick(all, keys))),
  page: fc.integer({ min: 1, max: 20_000 }),
});

const pick = (all: Record<string, string[]>, keys: readonly string[]) =>
  Object.fromEntries(keys.map((key) => [key, all[key]!]));

test('an address says all of what is asked, and nothing that need not be said', () => {
  fc.assert(
    fc.property(states, (state) => {
      const written = writeListState(spec, state);
      expect(readListState(spec, Object.fromEntries(written))).toEqual(state);
    }),
  );
  expect(writeListState(spec, readListState(spec, {})).toString()).toBe('');
});

test('whatever stands in an address leads to a list', () => {
  const anything = fc.dictionary(
    fc.constantFrom('search', 'sort', 'state', 'issued', 'amount', 'page', 'x'),
    fc.oneof(fc.string(), fc.array(fc.string()), fc.constantFrom('out,none', '9e9', '-3', 'note down')),
  );
  fc.assert(
    fc.property(anything, (parameters) => {
      const state = readListState(spec, parameters);
      expect(state.page).toBeGreaterThanOrEqual(1);
      expect(state.search.length).toBeLessThanOrEqual(200);
      expect(['number', 'due', 'open']).toContain(state.sort.by);
      for (const each of state.filters.state ?? []) expect(['out', 'paid', 'doors, 100 %2C']).toContain(each);
      expect(readListState(spec, Object.fromEntries(writeListState(spec, state)))).toEqual({
        ...state,
        search: state.search.trim() === '' ? '' : state.search,
      });
    }),
  );
});

test.each([
  ['days', '2026-01-01..2026-02-01', { from: '2026-01-01', to: '2026-02-01' }],
  ['days', '..2026-02-01', { from: null, to: '2026-02-01' }],
  ['days', '2026-13-01..', null],
  ['days', '..', null],
  ['days', '2026-01-01', null],
  ['amounts', '100..250.5', { from: '100', to: '250.5' }],
  ['amounts', '1..2..3', null],
  ['amounts', "1';drop..", null],
] as const)('%s %s', (kind, text, range) => expect(readRange(kind, text)).toEqual(range));

test('columns: those chosen in the order of the list, else those shown at first', () => {
  const keys = (chosen?: string[]) => shownColumns(spec, chosen).map(({ key }) => key);
  expect(keys()).toEqual(['number', 'due', 'open']);
  expect(keys(['note', 'number', 'gone'])).toEqual(['number', 'note']);
  expect(keys(['gone'])).toEqual(['number', 'due', 'open']);
});

test('narrowed is what is searched for or filtered', () => {
  expect(isNarrowed(readListState(spec, { page: '4', sort: 'open' }))).toBe(false);
  expect(isNarrowed(readListState(spec, { search: 'porch' }))).toBe(true);
  expect(isNarrowed(readListState(spec, { state: 'paid' }))).toBe(true);
});

test('the sum of a column has the decimals of its rows; rows without it count nothing', () => {
  expect(sumColumn([{ open: '0.10' }, { open: '0.20' }, { open: '-1000.05' }], 'open')).toBe('-999.75');
  expect(sumColumn([{ open: '1200' }, { other: '5' }], 'open')).toBe('1200');
  expect(sumColumn([{ open: '0' }, { open: '3991.29' }, { open: '7262.46' }], 'open')).toBe('11253.75');
  expect(sumColumn([], 'open')).toBe('0');
});
