import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import { parseFixed, sumAmounts } from '../number';
import { computeFigures } from '../price';
import { byCostType } from './byCostType';

test('rows sum to cost, price before tax and profit of the whole, whatever is in it', () => {
  fc.assert(
    fc.property(
      anyDocument().chain((document) => fc.tuple(fc.constant(document), anyChoices(document))),
      ([document, choices]) => {
        const figures = computeFigures(document, choices);
        const { rows, total } = byCostType(document, figures);
        expect(sumAmounts(rows.map(({ cost }) => cost))).toBe(figures.cost);
        expect(sumAmounts(rows.map(({ price }) => price))).toBe(figures.beforeTax);
        expect(sumAmounts(rows.map(({ profit }) => profit))).toBe(figures.profit);
        expect([total.margin, total.markup]).toEqual([figures.margin, figures.markup]);
      },
    ),
    { numRuns: runs(150) },
  );
});

test('each kind earns its own markup where nothing else moves the price, as it is typed', () => {
  // Material at 10 % on cost, labor at half as much again on top of it: 1.1 and 1.5 on 1,000 and 400.
  const document = plainDocument(
    [
      {
        id: 's',
        title: 'Deck',
        entries: [
          line('a', '10', '100', {
            costs: [
              { type: 'material', amount: '100' },
              { type: 'labour', hours: '1', rate: '40' },
            ],
          }),
        ],
      },
    ],
    {
      loads: [
        { id: 'm', name: 'Material', kind: 'profit', percent: '10', base: 'direct', costTypes: ['material'] },
        { id: 'l', name: 'Labor', kind: 'profit', percent: '50', base: 'direct', costTypes: ['labour'] },
      ],
    },
  );
  const { rows } = byCostType(document, computeFigures(document));
  expect(
    rows.map(({ costType, cost, price, markup, typed }) => [costType, cost, price, markup, typed!.markup]),
  ).toEqual([
    ['material', 100_000n, 110_000n, parseFixed('0.1'), parseFixed('0.1')],
    ['labour', 40_000n, 60_000n, parseFixed('0.5'), parseFixed('0.5')],
  ]);
  // Half as much again is a third of the price.
  expect(rows[1]!.typed!.margin).toBe(parseFixed('0.333333'));
  // A fixed price below that shows in both, by what each would have come to.
  const held = plainDocument(
    [
      {
        ...document.sections[0]!,
        entries: [{ ...(document.sections[0]!.entries[0] as object), heldPrice: '85' } as never],
      },
    ],
    { loads: document.loads },
  );
  const low = byCostType(held, computeFigures(held)).rows;
  expect(low.map(({ price }) => price)).toEqual([55_000n, 30_000n]);
});
