import type { LibraryItem } from '@/model';
import { readAddLine } from '../quantity';
import { fitsWell, lineAsTyped, ownLineAsTyped, plainLine } from '.';

const item = (
  name: string,
  unit: LibraryItem['unit'] = 'each',
  more: Partial<LibraryItem> = {},
): LibraryItem => ({
  id: 'i',
  code: 'FR-010',
  name,
  trade: 'Frame',
  detail: '',
  unit,
  costs: [{ type: 'material', amount: '2' }],
  taxClass: 'standard',
  costCode: '',
  tags: [],
  ...more,
});

test.each([
  ['12 ea joist hanger', item('Joist hanger with screws'), true],
  ['12 joist hangers', item('Joist hanger with screws'), false],
  ['2 sq architectural shingles', item('Shingles, architectural', 'sqft'), true],
  // The words fit and the unit does not: hours are no squares.
  ['4 hr architectural shingles', item('Shingles, architectural', 'square'), false],
  // One word of many: it may be another door.
  ['1 door', item('Door, exterior, fiberglass, 3-0, prehung'), false],
  ['1 door', item('Door, exterior'), true],
  // A word the item has not.
  ['3 painted joist hanger', item('Joist hanger'), false],
  ['3 fr-010', item('Anything at all with many words'), true],
  ['12 joist 2x8', item('Joist 2×8, treated', 'each', { tags: ['lumber'] }), true],
])('%s fits %j: %s', (typed, of, fits) => expect(fitsWell(readAddLine(typed), of)).toBe(fits));

test('an amount is what it is said to be', () => {
  const typed = readAddLine('4 gnome @12.345');
  expect(ownLineAsTyped(typed, 'l', 't')).toMatchObject({ heldPrice: '12.35' });
  expect(ownLineAsTyped(typed, 'l', 't', 'cost')).toMatchObject({ typedCost: '12.345' });
  expect(ownLineAsTyped(typed, 'l', 't', 'cost')).not.toHaveProperty('heldPrice');
  expect(lineAsTyped(item('Gnome'), 'l', typed, 'nothing')).not.toHaveProperty('heldPrice');
});

test('a name that is too long is refused whole, never cut', () =>
  expect(() => plainLine('l', 'x'.repeat(201), '1', 't')).toThrow(
    'This is 201 characters long; 200 fit here.',
  ));
