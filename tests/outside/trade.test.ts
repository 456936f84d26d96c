/* Worked values of the trade. Common practice, no source, unless a line says otherwise. */
import { writeAmount, writeFixed } from '@/core/number';
import { computeFigures } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { Load } from '@/model';
import { line, plainDocument } from '../support/documents';

const total = (loads: Load[], cost = '100') =>
  writeAmount(
    computeFigures(plainDocument([{ id: 's', title: 'S', entries: [line('l', '1', cost)] }], { loads }))
      .total,
    2,
  );

// Common practice, no source: keystone markups and the margins they are.
test.each([
  ['25', '0.2'],
  ['50', '0.333333'],
  ['100', '0.5'],
])('%s %% markup is a margin of %s', (percent, margin) => {
  const loads: Load[] = [{ id: 'p', name: 'Profit', kind: 'profit', percent, base: 'direct' }];
  const figures = computeFigures(
    plainDocument([{ id: 's', title: 'S', entries: [line('l', '1', '100')] }], { loads }),
  );
  expect(writeFixed(figures.margin!)).toBe(margin);
});

// Common practice, no source: to earn a margin, divide the cost by one minus it.
test('a margin of 30 % on a cost of 700 is a price of 1,000', () => {
  expect(total([{ id: 'p', name: 'Profit', kind: 'profit', percent: '30', base: 'price' }], '700')).toBe(
    '1000.00',
  );
});

// NIST SP 811, appendix B (from memory): the international foot is twelve inches.
test('feet and inches', () => {
  expect(writeFixed(parseQuantity(`12' 6"`))).toBe('12.5');
  expect(writeFixed(parseQuantity('144in'))).toBe('12');
});
