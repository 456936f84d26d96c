import { line, plainDocument } from '../../../../../tests/support/documents';
import { computeFigures } from '@/core/price';
import {
  amountWidth,
  columnsOf,
  fittingColumns,
  leastWidth,
  usualColumns,
  widerFor,
  widthOf,
  withColumn,
} from './columns';

test('columns stand in one order, whatever order they were chosen in; what is no column is left out', () => {
  expect(columnsOf(undefined)).toBe(usualColumns);
  expect(columnsOf(['margin', 'code', 'nonsense'])).toEqual(['code', 'margin']);
  expect(columnsOf([])).toEqual([]);
});

test('a column is put in at its place, and taken out again', () => {
  expect(withColumn(usualColumns, 'hours')).toEqual(['hours', 'cost', 'price']);
  expect(withColumn(usualColumns, 'cost')).toEqual(['price']);
  expect(withColumn(withColumn(usualColumns, 'phase'), 'phase')).toEqual(usualColumns);
});

test('the usual columns fit beside the outline and the tally on a screen of 1280', () =>
  expect(leastWidth(usualColumns)).toBeLessThan(1280 - 76 - 196 - 262));

test('figures of twelve digits have columns as wide as they are; usual ones have the usual', () => {
  const wider = (price: string) =>
    widerFor(
      computeFigures(
        plainDocument([{ id: 's', title: 'S', entries: [line('a', '999999', '1', { heldPrice: price })] }]),
      ),
    );
  expect(wider('1')).toMatchObject({ cost: 0, price: 0 });
  const long = wider('999999');
  // 999,998,000,001.00 has eighteen signs of some eight pixels.
  expect(amountWidth(long)).toBeGreaterThan(18 * 8);
  expect(widthOf('price', long)).toBeGreaterThan(10 * 8);
  expect(leastWidth(usualColumns, long)).toBeGreaterThan(leastWidth(usualColumns));
});

test('a tablet shows the columns it has room for, the least important give way; a phone none; a desk all', () => {
  const none = { cost: 0, price: 0, amount: 0 };
  const all = columnsOf([
    'code',
    'costCode',
    'hours',
    'expected',
    'cost',
    'price',
    'margin',
    'room',
    'phase',
  ]);
  expect(fittingColumns(all, none, 1280)).toBe(all);
  expect(fittingColumns(all, none, 390)).toEqual([]);
  for (const width of [1100, 1024, 900, 820, 760, 701]) {
    const shown = fittingColumns(all, none, width);
    expect([width, leastWidth(shown, none) <= width - 76]).toEqual([width, true]);
    // What stands, stands in the usual order, and nothing goes that had room.
    expect(shown).toEqual(all.filter((column) => shown.includes(column)));
  }
  expect(fittingColumns(all, none, 820)).toEqual(['code', 'cost']);
  expect(fittingColumns(usualColumns, none, 820)).toEqual(usualColumns);
  // Long figures take the room of columns.
  expect(fittingColumns(usualColumns, { ...none, amount: 90 }, 820)).toEqual(['cost']);
});
