import { columnsOf, leastWidth, usualColumns, withColumn } from './columns';

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
