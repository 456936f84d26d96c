import fc from 'fast-check';
import { anyChoices, anyDocument, bundle, line, plainDocument, runs } from '../../../tests/support/documents';
import type { ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { parseAmount, writeAmount, writeFixedPlaces } from '../number';
import { computeFigures } from '../price';
import type { Spread } from '.';
import { TargetError, shapePrices } from '.';

/* The worked example: 120 × 8.10, 36 × 41.25, 1 × 960.00, cost 3,417.00, to 4,200.00. Common practice, no source. */
const example = plainDocument([
  {
    id: 's',
    title: 'S',
    entries: [line('a', '120', '8.10'), line('b', '36', '41.25'), line('c', '1', '960.00')],
  },
]);
const pricesOf = (document: ProposalDocument) =>
  computeFigures(document).sections.flatMap(({ lines }) =>
    lines.map(({ unitPrice, line: each }) => writeFixedPlaces(unitPrice, each.pricePlaces ?? 2)),
  );
const to = (amount: string) => ({ kind: 'total' as const, amount });

test('by even share of cost, then exact with one move: 9.96, 50.70, and 1,179.60 where 1,179.98 was 0.38 too much', () => {
  const shaped = shapePrices(example, { target: to('4200'), spread: 'cost' });
  expect(pricesOf(shaped.document)).toEqual(['9.96', '50.70', '1179.60']);
  expect(shaped).toMatchObject({ missing: 0n, proved: true });
  expect(shaped.figures.total).toBe(420000n);
});

test('held prices stay; the others carry the rest; a second shaping starts afresh', () => {
  const held = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        line('a', '120', '8.10', { heldPrice: '9.00' }),
        line('b', '36', '41.25'),
        line('c', '1', '960'),
      ],
    },
  ]);
  const first = shapePrices(held, { target: to('4200'), spread: 'cost' });
  expect(pricesOf(first.document)[0]).toBe('9.00');
  expect(first.figures.total).toBe(420000n);
  const second = shapePrices(first.document, { target: to('3900'), spread: 'cost' });
  expect(second.figures.total).toBe(390000n);
  expect(second.document).toEqual(shapePrices(held, { target: to('3900'), spread: 'cost' }).document);
});

test('a margin and a markup are met on the price before tax', () => {
  for (const target of [
    { kind: 'margin' as const, percent: '25' },
    { kind: 'markup' as const, percent: '33.3333' },
  ]) {
    const { figures, missing } = shapePrices(example, { target, spread: 'price' });
    expect(missing).toBe(0n);
    expect(figures.beforeTax).toBe(455600n);
  }
});

test('at cost only, what is chosen carries all of it', () => {
  const shaped = shapePrices(example, {
    target: to('4200'),
    spread: 'cost',
    on: new Set(['c']),
    atCost: true,
  });
  expect(pricesOf(shaped.document)).toEqual(['8.10', '41.25', '1743.00']);
});

test('the same amount on every line', () => {
  const shaped = shapePrices(example, { target: to('3717'), spread: 'even' });
  expect(pricesOf(shaped.document)).toEqual(['8.93', '44.03', '1060.32']);
  expect(shaped.figures.total).toBe(371700n);
});

test('parts of bundles are shaped on this job, and can be let go', () => {
  const item = {
    description: 'Board',
    unit: 'ft' as const,
    costs: [{ type: 'material' as const, amount: '3' }],
    taxClass: 'taxed',
  };
  const document = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        bundle('deck', { board: item }, [{ id: 'p', name: 'boards', item: 'board', quantity: '100' }]),
        line('c', '1', '100'),
      ],
    },
  ]);
  const { document: shaped, figures } = shapePrices(document, { target: to('600'), spread: 'cost' });
  expect(figures.total).toBe(60000n);
  const [deck] = shaped.sections[0]!.entries;
  expect(deck?.kind === 'bundle' && Object.values(deck.changes)).toEqual([{ shapedPrice: '4.5' }]);
});

test('where quantities make it impossible, the nearest there is', () => {
  const coarse = plainDocument([{ id: 's', title: 'S', entries: [line('a', '7', '10')] }]);
  const { figures, missing } = shapePrices(coarse, { target: to('100'), spread: 'cost' });
  expect([figures.total, missing]).toEqual([10003n, -3n]);
});

test.each([
  [
    plainDocument([{ id: 's', title: 'S', entries: [line('a', '1', '1', { heldPrice: '5' })] }]),
    'release one',
  ],
  [
    plainDocument([
      { id: 's', title: 'S', entries: [line('a', '1', '1', { heldPrice: '500' }), line('b', '1', '1')] },
    ]),
    'below zero',
  ],
])('what cannot be is said in a sentence', (document, words) => {
  expect(() => shapePrices(document, { target: to('100'), spread: 'cost' })).toThrow(TargetError);
  expect(() => shapePrices(document, { target: to('100'), spread: 'cost' })).toThrow(words);
});

test('any proposal with one line that can move by a cent: met, or proved that no price meets it; held prices never move', () => {
  let all = 0;
  fc.assert(
    fc.property(
      anyDocument({ negativeLines: false, most: 4 })
        .map((drawn) => ({
          ...drawn,
          sections: [
            ...drawn.sections,
            { id: 'fine', title: 'One by one', entries: [line('one', '1', '500', { loads: [] })] },
          ],
        }))
        .chain((document) => anyChoices(document).map((choices) => ({ document, choices }))),
      fc.integer({ min: 70, max: 160 }),
      fc.constantFrom<Spread>('cost', 'price', 'even'),
      ({ document, choices }, percent, spread) => {
        const now = computeFigures(document, choices);
        const amount = (now.total * BigInt(percent)) / 100n;
        if (now.total <= 100n) return;
        let shaped;
        try {
          shaped = shapePrices(
            document,
            { target: to(writeAmount(amount as typeof now.total, 2)), spread },
            choices,
          );
        } catch (error) {
          if (!(error instanceof TargetError)) throw error;
          return;
        }
        all += 1;
        const after = computeFigures(structuredClone(shaped.document), choices);
        expect(after.total).toBe(shaped.figures.total);
        expect(shaped.missing).toBe(amount - after.total);
        expect([shaped.missing === 0n, shaped.proved]).toContain(true);
        const before = new Map(
          now.sections.flatMap(({ lines }) => lines.map((each) => [each.line.id, each] as const)),
        );
        for (const { lines } of after.sections)
          for (const each of lines) {
            const old = before.get(each.line.id)!;
            if (old.held || !old.included) expect(each.unitPrice).toBe(old.unitPrice);
          }
      },
    ),
    { numRuns: runs(200) },
  );
  expect(all).toBeGreaterThan(20);
});

test('what an untouched proposal comes to is not changed by asking', () => {
  const shaped = shapePrices(example, { target: to('3417'), spread: 'price' }, asSuggested);
  expect(shaped.moves).toEqual([]);
  expect(parseAmount('3417', 2)).toBe(shaped.figures.total);
});
