import type { Line } from '@/model';
import { line, plainDocument } from '../../../tests/support/documents';
import { showUnitAmount } from '../number';
import { computeFigures, costInAll } from '../price';
import { onOrder } from '.';

const of = (quantity: string, more: Partial<Line>) =>
  computeFigures(
    plainDocument([
      { id: 's', title: 'Work', entries: [line('a', quantity, '7.10', { unit: 'ft', ...more })] },
    ]),
  ).sections[0]!.lines[0]!;
const inAll = (figures: ReturnType<typeof of>) => showUnitAmount(costInAll(figures));

const breaks: Line['breaks'] = {
  costType: 'material',
  kind: 'whole',
  steps: [{ from: '900', amount: '6.62' }],
};

test('a price that fell by the quantity: said at the line, and the cost follows', () => {
  expect(onOrder(of('899', { breaks }))).toEqual(['material 6.62 from 900 ft on']);
  expect(inAll(of('899', { breaks }))).toBe('7.10');
  expect(onOrder(of('900', { breaks }))).toEqual(['material 6.62 instead of 7.10, from 900 ft on']);
  expect(inAll(of('900', { breaks }))).toBe('6.62');
});

test('a graduated price: what is above costs less', () => {
  const figures = of('1000', { breaks: { ...breaks, kind: 'graduated' } });
  expect(onOrder(figures)).toEqual(['material 6.62 instead of 7.10 for what is above 900 ft']);
  // 900 × 7.10 + 100 × 6.62, over 1,000.
  expect(inAll(figures)).toBe('7.052');
});

test('waste and packs: what is ordered, and what a unit costs then', () => {
  const figures = of('100', { waste: '5', pack: '16' });
  expect(onOrder(figures)).toEqual(['material for 112 ft: 5 % waste, 7 packs of 16']);
  // 112 × 7.10 ÷ 100.
  expect(inAll(figures)).toBe('7.952');
  expect(onOrder(of('16', { pack: '16' }))).toEqual([]);
  expect(onOrder(of('10', { pack: '16' }))).toEqual(['material for 16 ft: 1 pack of 16']);
});

test('nothing is said of nothing, of what is given back, and of a cost that is typed', () => {
  expect(onOrder(of('0', { waste: '5', breaks }))).toEqual([]);
  expect(onOrder(of('-3', { waste: '5', breaks }))).toEqual([]);
  const typed = of('900', { breaks, typedCost: '5' });
  expect(onOrder(typed)).toEqual([]);
  expect(inAll(typed)).toBe('5.00');
});
