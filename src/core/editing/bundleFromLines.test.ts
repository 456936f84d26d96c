import fc from 'fast-check';
import type { Line, Space } from '@/model';
import { anyDocument, bundle, line, plainDocument, runs } from '../../../tests/support/documents';
import { edited } from '../../../tests/support/edits';
import { offeredFormulas, recipeOfJob } from '../bundle';
import { parseFixed, sumAmounts, writeFixed } from '../number';
import { checkDocument } from '../offer';
import { computeFigures } from '../price';
import { surroundingsOf } from '../space';
import type { AskedInput } from '.';
import {
  PartGone,
  bundleForLibrary,
  bundleOfLines,
  gatherLines,
  namedInputs,
  offerParts,
  putInBundle,
  readSides,
  setSpace,
} from '.';

// 15 by 16 ft, 9 ft high: floor 240 sq ft, perimeter 62 ft, walls 558 sq ft (common practice, no source).
const space: Space = readSides('15 x 16 x 9', 'us');
const { scope } = surroundingsOf(space);
const offers = (quantity: string, unit: Line['unit'], names: Parameters<typeof offeredFormulas>[3] = []) =>
  offeredFormulas(parseFixed(quantity), unit, scope, names);

describe('formulas offered for a quantity', () => {
  test.each([
    ['240', 'sqft', 'floor'],
    ['558', 'sqft', 'walls'],
    ['798', 'sqft', 'walls + ceiling'],
    ['264', 'sqft', 'floor * 1.1'],
    ['877.8', 'sqft', '(walls + ceiling) * 1.1'],
    ['2.4', 'square', 'floor'],
    ['62', 'ft', 'perimeter'],
    ['15', 'ft', 'length'],
    // Studs at 16 in along 62 ft: 62 × 12 ÷ 16 = 46.5, 47 spaces and one to end with (common practice, no source).
    ['48', 'each', 'ceil(perimeter / 16in) + 1'],
    // Posts every 8 ft along 62 ft: 7.75, 8 spaces, 9 posts.
    ['9', 'each', 'ceil(perimeter / 8ft) + 1'],
  ] as const)('%s %s goes by %s', (quantity, unit, formula) => {
    expect(offers(quantity, unit)).toContain(formula);
  });

  test('every offer comes to the quantity exactly; chance and what has no size are offered nothing', () => {
    expect(offers('13', 'hour')).toEqual([]);
    expect(offers('1', 'each')).toEqual([]);
    expect(offers('0', 'sqft')).toEqual([]);
    expect(offers('7', 'sqft')).toEqual([]);
    expect(offeredFormulas(parseFixed('240'), 'sqft', surroundingsOf(undefined).scope)).toEqual([]);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900_000 }),
        fc.constantFrom<Line['unit']>('sqft', 'ft', 'each', 'square', 'cuyd', 'hour'),
        (thousandths, unit) => {
          const quantity = (BigInt(thousandths) * 1000n) as Parameters<typeof offeredFormulas>[0];
          const made = offeredFormulas(quantity, unit, scope);
          expect(made.length).toBeLessThanOrEqual(6);
          for (const formula of made)
            expect(
              computeFigures(
                plainDocument([
                  { id: 's', title: 'S', space, entries: [line('x', '0', '1', { unit, formula })] },
                ]),
              ).sections[0]!.lines[0]!.quantity,
            ).toBe(quantity);
        },
      ),
      { numRuns: runs(100) },
    );
  });

  test('what is asked for comes before the space', () => {
    const asked: AskedInput[] = [{ label: 'Run of rail, front', kind: 'length', value: `38+24'` }];
    const document = plainDocument([
      { id: 's', title: 'S', space, entries: [line('x', '62', '4', { unit: 'ft' })] },
    ]);
    const inputs = namedInputs(document, asked);
    expect(inputs).toMatchObject([{ name: 'run_of_rail', default: `38+24'` }]);
    const [part] = offerParts(document, gatherLines(document, new Set(['x']))!, inputs);
    expect(part).toMatchObject({ first: 'run_of_rail', offered: ['run_of_rail', 'perimeter'] });
  });
});

const floor = line('a', '240', '5', { unit: 'sqft', room: 'Porch', phase: 'Finish' });
const trim = line('b', '65.1', '2', { unit: 'ft', room: 'Porch', itemId: 'i-trim', trade: 'Trim' });
const studs = line('c', '0', '3', {
  unit: 'each',
  room: 'Porch',
  formula: 'ceil(perimeter / 16in) + 1',
  heldPrice: '9',
});
const document = plainDocument([
  {
    id: 's',
    title: 'Porch',
    space,
    entries: [
      line('before', '1', '7'),
      floor,
      bundle('w', {}, []),
      trim,
      line('extra', '1', '8', { extra: { in: true } }),
    ],
  },
  { id: 't', title: 'Frame', space, entries: [studs] },
]);
const all = new Set(['a', 'w', 'b', 'extra', 'c', 'nothing']);
const making = {
  id: 'new',
  name: 'Floor and frame',
  asked: [],
  quantities: { a: 'floor', b: 'perimeter * 1.05' },
};

test('what can be a part is gathered; the rest stays, and why is said', () => {
  const gathered = gatherLines(document, all)!;
  expect(gathered.lines.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  expect(gathered.labels).toEqual({ room: 'Porch' });
  expect(gathered.stays.join(' ')).toMatch(/is a bundle and stays one.*is an extra/);
  expect(gathered.loses).toEqual(['The lines are in different phases; the bundle is in none.']);
  expect(gatherLines(document, new Set(['w']))).toBeNull();
});

test('a bundle of lines: where the first stood, the same price, asking for what its formulas take', () => {
  const gathered = gatherLines(document, all)!;
  const made = bundleOfLines(document, gathered, making);
  expect(made.recipe.inputs).toEqual([
    { name: 'floor_area', label: 'Floor', kind: 'area', default: '240', fromSpace: 'floor' },
    { name: 'edge', label: 'Perimeter', kind: 'length', default: '62', fromSpace: 'perimeter' },
  ]);
  expect(made.added.map(({ formula }) => formula)).toEqual([
    'floor_area',
    'edge * 1.05',
    'ceil(edge / 16in) + 1',
  ]);
  const after = edited(document, (d) => putInBundle(d, made));
  expect(after.sections.map(({ entries }) => entries.map(({ id }) => id))).toEqual([
    ['before', 'new', 'w', 'extra'],
    [],
  ]);
  expect(checkDocument(after).filter(({ weight }) => weight === 'wrong')).toEqual([]);
  const [was, now] = [computeFigures(document), computeFigures(after)];
  expect([now.cost, now.total]).toEqual([was.cost, was.total]);
  // Another room, and all of it follows.
  const wider = edited(after, (d) => setSpace(d, 's', readSides('20 x 10 x 8', 'us')));
  expect(
    computeFigures(wider)
      .sections[0]!.bundles.get('new')!
      .lines.map(({ quantity }) => writeFixed(quantity)),
  ).toEqual(['200', '63', '46']);
  expect(() => edited(after, (d) => putInBundle(d, made))).toThrow(PartGone);
});

test('it goes into the library as any bundle does: what is no item of it stays, and so do prices of the job', () => {
  const made = bundleOfLines(document, gatherLines(document, all)!, making);
  const { recipe, left } = recipeOfJob(made);
  expect(recipe.parts).toMatchObject([{ item: 'i-trim', quantity: 'edge * 1.05' }]);
  expect(left).toHaveLength(2);
  const known = {
    ...made,
    added: made.added.map((each) => ({ ...each, itemId: each.itemId ?? `i-${each.id}` })),
  };
  expect(recipeOfJob(known)).toMatchObject({
    recipe: {
      parts: [{ item: 'i-a' }, { item: 'i-trim' }, { item: 'i-c', quantity: 'ceil(edge / 16in) + 1' }],
    },
    left: ['The fixed price of “Line c”.'],
  });
});

test('a measure the lines follow is asked for, and typed here as it is', () => {
  const measured = {
    ...document,
    measures: [{ id: 'm', name: 'deck', kind: 'area' as const, value: '240' }],
  };
  const made = bundleOfLines(measured, gatherLines(measured, all)!, {
    ...making,
    quantities: { a: 'deck * 1.1' },
  });
  expect(made.recipe.inputs.find(({ name }) => name === 'deck')).toEqual({
    name: 'deck',
    label: 'deck',
    kind: 'area',
    default: '240',
  });
  expect(made.values).toEqual({ deck: 'deck' });
});

test('lines that are no items become items, with codes after the bundle’s', () => {
  const overtime = line('d', '4', '0', {
    unit: 'hour',
    costs: [{ type: 'labour', hours: '1', rate: '50', overtimeRate: '75' }],
    overtime: true,
    discount: { percent: '10' },
    crewNote: 'mind the dog',
  });
  const more = {
    ...document,
    sections: [...document.sections, { id: 'u', title: 'Work', entries: [overtime] }],
  };
  const gathered = gatherLines(more, new Set(['a', 'b', 'd']))!;
  const made = bundleOfLines(more, gathered, making);
  const { input, items, left } = bundleForLibrary(made, more, ' D-10 ', 'Decks');
  expect(items.map(({ key, code }) => [key, code])).toEqual([
    ['new-a', 'D-10-1'],
    ['new-d', 'D-10-2'],
  ]);
  expect(input.bundle).toMatchObject({ code: 'D-10', trade: 'Decks', name: 'Floor and frame' });
  expect(input.bundle.recipe.parts).toMatchObject([
    { item: 'new-a', quantity: 'floor_area' },
    { item: 'i-trim', quantity: 'edge * 1.05' },
    { item: 'new-d', quantity: '4' },
  ]);
  expect(input.items['new-a']).toMatchObject({ code: 'D-10-1', trade: 'Decks', unit: 'sqft' });
  expect(input.items['new-d']!.costs).toMatchObject([{ overtime: true }]);
  expect(left).toEqual(['“Line d”: Its discount.', '“Line d”: The note to the crew.']);
});

test('what cannot be read is refused in words', () => {
  const gathered = gatherLines(document, all)!;
  const made = (more: object) => bundleOfLines(document, gathered, { ...making, ...more });
  expect(() => made({ name: ' ' })).toThrow('needs a name');
  expect(() => made({ quantities: { a: 'flor' } })).toThrow('flor');
  expect(() => made({ asked: [{ label: 'Run', kind: 'length', value: '12 (' }] })).toThrow();
});

test('cost and price come to the same for the lines of any document', () => {
  fc.assert(
    fc.property(anyDocument(), fc.nat(), (any, n) => {
      const at = any.sections.length === 0 ? 0 : n % any.sections.length;
      const plain = {
        ...any,
        sections: any.sections.map((section, i) => {
          const { discount: _, ...rest } = section;
          return i === at ? { ...rest, space } : rest;
        }),
      };
      const ids = new Set(plain.sections[at]?.entries.map(({ id }) => id));
      const gathered = gatherLines(plain, ids);
      if (!gathered) return;
      const parts = offerParts(plain, gathered, []);
      const made = bundleOfLines(plain, gathered, {
        id: 'made',
        name: 'Made',
        asked: [],
        quantities: Object.fromEntries(parts.map(({ line: { id }, first }) => [id, first])),
      });
      const taken = new Set(gathered.lines.map(({ id }) => id));
      const sum = (document: typeof plain) => {
        const lines = computeFigures(document).sections.flatMap((section) =>
          section.lines.filter(({ line: { id } }) => taken.has(id)),
        );
        return [
          sumAmounts(lines.map(({ costAmount }) => costAmount)),
          sumAmounts(lines.map(({ net }) => net)),
        ];
      };
      expect(sum(edited(plain, (d) => putInBundle(d, made)))).toEqual(sum(plain));
    }),
    { numRuns: runs(60) },
  );
});
