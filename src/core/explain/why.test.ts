import fc from 'fast-check';
import { anyDocument, line, plainDocument } from '../../../tests/support/documents';
import type { Load } from '@/model';
import { showAmount } from '../number';
import { computeFigures } from '../price';
import { whyLine, whyTotal } from './';

const load = (id: string, percent: string, base: Load['base']): Load => ({
  id,
  name: id,
  kind: 'overhead',
  percent,
  base,
});

test('from the library’s cost to the amount, each step with its numbers', () => {
  // 100.00 with 10 % on direct, 15 % on running, 1.5 % of price: 128.43 (the worked values of the loads).
  const document = plainDocument(
    [
      {
        id: 's',
        title: 'Deck',
        discount: { percent: '10' },
        entries: [
          line('a', '2', '100', {
            quantityTyped: '1+1',
            waste: '5',
            discount: { amount: '6.86' },
            costs: [
              { type: 'material', amount: '54' },
              { type: 'labour', hours: '1', rate: '46' },
            ],
          }),
          line('b', '1', '50', { heldPrice: '70' }),
        ],
      },
    ],
    {
      loads: [
        load('Overhead', '10', 'direct'),
        load('Profit', '15', 'running'),
        load('Bond', '1.5', 'price'),
      ],
    },
  );
  const figures = computeFigures(document);
  expect(
    whyLine(document, figures, 'a')!.map(({ what, how, comes }) => `${what}: ${how} = ${comes}`),
  ).toEqual([
    'Quantity: typed as 1+1 = 2 each',
    'Unit cost: material 54.00 + labor 1 h at 46.00 = 100.00',
    // Material for 2.1: 113.40, and 2 × 46.00; 205.40 × 1.265 ÷ 0.985 = 263.788, half of it 131.89.
    'Cost: 2 × 100.00; material for 2.1, with 5 % waste = 205.40',
    'Overhead: 10 % of direct cost = 20.54',
    'Profit: 15 % of the running amount = 33.89',
    'Bond: 1.5 % of the price = 3.96',
    'Unit price: loaded cost ÷ quantity, rounded to 2 places = 131.89',
    'At this price: 2 × 131.89 = 263.78',
    'Discount: on this line = −6.86',
    'Amount: before discounts on the section and the whole = 256.92',
    'After the section’s discount: less its share, 25.69 = 231.23',
    'It earns: 11.2 % of its price = 25.83',
  ]);
  expect(whyLine(document, figures, 'b')!.map(({ how }) => how)).toContain('typed by hand; nothing moves it');
  expect(whyLine(document, figures, 'nothing')).toBeNull();
  expect(whyTotal(document, figures).map(({ what, comes }) => [what, comes])).toEqual([
    ['Deck', '294.23'],
    ['Price', '294.23'],
    ['Total', '294.23'],
  ]);
});

test('money set aside: the amount to spend, and the fee', () => {
  const aside = (rule: 'at our price' | 'at cost, fee fixed') => {
    const document = plainDocument([
      {
        id: 's',
        title: 'S',
        entries: [
          line('a', '4', '0', { allowance: { rule, amount: '60', fee: '25', shows: 'price', rounds: [] } }),
        ],
      },
    ]);
    return whyLine(document, computeFigures(document), 'a')!.map(({ what, how }) => `${what}: ${how}`);
  };
  expect(aside('at our price')).toEqual(
    expect.arrayContaining([
      'Unit cost: what a fee of 25 % of the price leaves',
      'Unit price: the amount to spend, at our price',
    ]),
  );
  expect(aside('at cost, fee fixed')).toEqual(
    expect.arrayContaining(['Unit cost: the amount to spend, at cost', 'Fee: 25 % of the price']),
  );
});

test('any proposal: every line and the total can be explained, and the last step is the figure itself', () => {
  fc.assert(
    fc.property(anyDocument(), (document) => {
      const figures = computeFigures(document);
      expect(whyTotal(document, figures).at(-1)!.comes).toBe(showAmount(figures.total, 2));
      for (const { lines } of figures.sections)
        for (const each of lines) {
          const steps = whyLine(document, figures, each.line.id)!;
          expect(steps.find(({ what }) => what === 'Amount')!.comes).toBe(showAmount(each.net, 2));
          expect(steps.find(({ what }) => what === 'Cost')!.comes).toBe(showAmount(each.costAmount, 2));
        }
    }),
    { numRuns: 60 },
  );
});
