import fc from 'fast-check';
import type { SeveralChange } from '@/model';
import type { LibraryEntry } from '.';
import { changedEntry, fieldInWords, hasField, severalInWords } from '.';

const item: LibraryEntry = {
  kind: 'item',
  code: 'FR-2x6',
  name: 'Joist 2x6, treated (2X6)',
  trade: 'Frame',
  tags: ['wood', 'deck'],
  detail: '',
  unit: 'ft',
  costs: [
    { type: 'material', amount: '2.5' },
    { type: 'labour', hours: '0.1', rate: '50' },
  ],
  waste: '5',
  taxClass: 'taxed',
  costCode: '',
  internalNote: 'ask Tern',
};
const bundle: LibraryEntry = {
  kind: 'bundle',
  code: 'B-1',
  name: 'Fence',
  trade: 'Frame',
  tags: [],
  detail: 'Posts and rails',
  internalNote: '',
  shows: 'one',
};
const named = (id: string) => (id === 'taxed' ? 'Taxed' : id);

test.each<[SeveralChange, string, string, string]>([
  [
    { field: 'name', find: '2x6', put: '2×6' },
    'Joist 2x6, treated (2X6)',
    'Joist 2×6, treated (2×6)',
    'Name: “2×6” for “2x6”',
  ],
  [
    { field: 'detail', find: '', put: ' As drawn ' },
    '',
    'As drawn',
    'What the customer reads below the name: “ As drawn ”',
  ],
  [
    { field: 'supplierNote', find: '', put: 'Tern & Sons' },
    '',
    'Tern & Sons',
    'Where it is bought: “Tern & Sons”',
  ],
  [{ field: 'trade', set: 'Decks' }, 'Frame', 'Decks', 'Trade: Decks'],
  [{ field: 'costCode', set: '06-100' }, '', '06-100', 'Cost code: 06-100'],
  [{ field: 'unit', set: 'each' }, 'ft', 'each', 'Unit: each'],
  [{ field: 'taxClass', set: 'none' }, 'Taxed', 'none', 'Tax class: none'],
  [{ field: 'waste', set: null }, '5 %', 'none', 'Waste: none'],
  [{ field: 'pack', set: '12' }, 'none', '12 ft', 'Pack size: 12'],
  [{ field: 'minimumCharge', set: '150' }, 'none', '150', 'Minimum charge: 150'],
  [
    { field: 'tags', add: ['Treated ', 'deck'], drop: ['WOOD'] },
    'wood, deck',
    'deck, treated',
    'Tags: + Treated , + deck, − WOOD',
  ],
  // 2.5 × 1.1 = 2.75, and 0.1 h at 50 = 5 beside it.
  [{ field: 'costs', percent: '10', costTypes: ['material'] }, '7.50', '7.75', 'Costs: +10 % on material'],
  [
    { field: 'loads', set: [{ id: 'p', name: 'Profit', kind: 'profit', percent: '30', base: 'direct' }] },
    'as the proposal',
    'Profit 30 %',
    'Markup: Profit 30 %',
  ],
])('%j', (change, before, after, says) => {
  const changed = changedEntry(item, change);
  expect(fieldInWords(item, change.field, named)).toBe(before);
  expect(fieldInWords(changed, change.field, named)).toBe(after);
  expect(severalInWords(change, named)).toBe(says);
});

test('what a bundle has not is left alone, and what does not move stays the same object', () => {
  const unit: SeveralChange = { field: 'unit', set: 'each' };
  expect(hasField(bundle, 'unit')).toBe(false);
  expect(changedEntry(bundle, unit)).toBe(bundle);
  expect(changedEntry(bundle, { field: 'detail', find: 'RAILS', put: 'pickets' })).toMatchObject({
    detail: 'Posts and pickets',
  });
  for (const change of [
    { field: 'trade', set: 'Frame' },
    { field: 'breaks', set: null },
    { field: 'name', find: 'steel', put: 'iron' },
    { field: 'costs', percent: '10', costTypes: ['other'] },
    { field: 'tags', add: ['wood'], drop: ['brass'] },
  ] as SeveralChange[])
    expect(changedEntry(item, change)).toBe(item);
});

test('signs in the words that are found or put mean only themselves', () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1, maxLength: 12 }), fc.string({ maxLength: 12 }), (find, put) => {
      const text = `a ${find} b`;
      const { detail } = changedEntry({ ...item, detail: text }, { field: 'detail', find, put });
      expect(detail.toLowerCase()).toContain(put.trim().toLowerCase());
    }),
  );
});
