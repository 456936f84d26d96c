import type { Bundle, ItemPart, PricedItem } from '@/model';
import { asSuggested } from '@/model';
import { bundle, line, plainDocument } from '../../../tests/support/documents';
import { checkDocument, customerView } from '../offer';
import { reduced, writeAmount, writeFixed } from '../number';
import { computeFigures } from '../price';
import { surroundingsOf } from '../space';
import { MOST_PARTS, recipeOfJob, shortName, showLength, sizeBundle } from '.';

const item = (description: string, unit: PricedItem['unit'], material: string): PricedItem => ({
  description,
  unit,
  costs: [{ type: 'material', amount: material }],
  taxClass: 'taxed',
});
const items = {
  post: item('Post 4x4', 'each', '14'),
  steel: item('Post, steel', 'each', '40'),
  rail: item('Rail', 'ft', '2.5'),
  cap: item('Post cap', 'each', '3'),
  concrete: item('Concrete', 'cuyd', '150'),
};
const part = (id: string, quantity: string, more: Partial<ItemPart> = {}): ItemPart => ({
  id,
  name: id,
  item: id,
  quantity,
  ...more,
});
const parts = [
  // Before what it uses: the order of the parts is for people.
  part('cap', 'post', { when: 'caps' }),
  part('post', 'ceil(run / spacing) + 1', { grades: { good: 'steel' } }),
  part('rail', 'run * rails', { grades: { bare: null } }),
  part('concrete', 'post * 1ft * 1ft * 2ft'),
];
const fence = (more: Partial<Bundle> = {}): Bundle =>
  bundle('b', items, parts, {
    name: 'Fence along {run}',
    detail: '{post} posts, {grade}, caps: {caps}',
    recipe: {
      inputs: [
        { name: 'run', label: 'Run', kind: 'length', default: '20', fromSpace: 'perimeter', maximum: '1000' },
        { name: 'spacing', label: 'Spacing', kind: 'length', default: '8', minimum: '1' },
        { name: 'rails', label: 'Rails', kind: 'count', default: '2' },
        { name: 'caps', label: 'Caps', kind: 'yesno', default: 'yes' },
      ],
      grades: [
        { id: 'plain', name: 'Pine' },
        { id: 'good', name: 'Steel' },
        { id: 'bare', name: 'Posts only' },
      ],
      parts,
    },
    ...more,
  });
const nowhere = surroundingsOf(undefined);
const quantities = (sized: ReturnType<typeof sizeBundle>) =>
  sized.lines.map(({ id, quantity }) => `${id}=${quantity}`);

describe('sizing a bundle', () => {
  test('by what is typed: posts, rails, caps and concrete follow', () => {
    const sized = sizeBundle(fence({ values: { run: '38+64+22' } }), nowhere);
    // 124 ft at 8 ft: 16 bays, 17 posts; 17 × 2 cu ft of concrete are 1.259 cu yd.
    expect(quantities(sized)).toEqual(['b.cap=17', 'b.post=17', 'b.rail=248', 'b.concrete=1.259']);
    expect(sized.name).toBe('Fence along 124 ft');
    expect(sized.detail).toBe('17 posts, Pine, caps: yes');
    expect(sized.troubles).toEqual([]);
  });

  test('by the section’s space where nothing is typed, by the default without one', () => {
    const space = {
      shape: { kind: 'rectangle' as const, length: { value: '15' }, width: { value: '16' } },
      openings: [],
    };
    const inSpace = sizeBundle(fence(), surroundingsOf(space));
    expect(inSpace.inputs[0]).toMatchObject({ source: 'space', text: 'perimeter' });
    expect(quantities(inSpace)).toContain('b.rail=124');
    expect(quantities(sizeBundle(fence(), nowhere))).toContain('b.rail=40');
    expect(
      quantities(sizeBundle(fence({ values: { run: 'perimeter - 12ft' } }), surroundingsOf(space))),
    ).toContain('b.rail=100');
  });

  test('a grade swaps and drops parts', () => {
    const steel = sizeBundle(fence({ grade: 'good' }), nowhere);
    expect(steel.lines.map(({ description }) => description)).toContain('Post, steel');
    const bare = sizeBundle(fence({ grade: 'bare' }), nowhere);
    expect(quantities(bare)).toEqual(['b.cap=4', 'b.post=4', 'b.concrete=0.296']);
    expect(bare.parts.find(({ name }) => name === 'rail')?.absent).toBe('grade');
  });

  test('changes are for this job, marked, and leave the others as they are', () => {
    const sized = sizeBundle(
      fence({
        changes: {
          post: { quantity: '30' },
          rail: { out: true },
          cap: { item: item('Copper cap', 'each', '19'), typedCost: '17.5' },
        },
        added: [line('gate', '1', '90', { formula: 'post - 29' })],
      }),
      nowhere,
    );
    expect(quantities(sized)).toEqual(['b.cap=30', 'b.post=30', 'b.concrete=2.222', 'gate=1']);
    expect(sized.parts.find(({ name }) => name === 'post')?.replaced).toBe('ceil(run / spacing) + 1');
    expect(sized.parts.find(({ name }) => name === 'rail')?.absent).toBe('job');
    expect(sized.lines[0]).toMatchObject({ description: 'Copper cap', typedCost: '17.5' });
  });

  test('nested bundles are sized by formulas of the outer one, times what it says', () => {
    const inner = {
      name: 'Gate',
      recipe: { ...fence().recipe, grades: [], parts: [part('post', 'run / 2ft')] },
    };
    const outer = fence({
      within: { gate: inner },
      recipe: {
        ...fence().recipe,
        parts: [
          ...parts,
          { id: 'g', name: 'gates', bundle: 'gate', values: { run: 'run / 5' }, times: 'rails + 1' },
        ],
      },
    });
    expect(quantities(sizeBundle(outer, nowhere))).toContain('b.g.post=6');
    expect(
      sizeBundle({ ...outer, changes: { 'g.post': { quantity: '7' } } }, nowhere).lines.at(-1)?.quantity,
    ).toBe('21');
  });
});

describe('what is wrong in a bundle is said at its place and stops nothing else', () => {
  const broken = (formulas: Record<string, string>, more: Partial<Bundle> = {}) =>
    sizeBundle(
      fence({
        recipe: {
          ...fence().recipe,
          parts: parts.map((each) => ({ ...each, quantity: formulas[each.id] ?? each.quantity })),
        },
        ...more,
      }),
      nowhere,
    );
  const troubleOf = (sized: ReturnType<typeof sizeBundle>, name: string) =>
    sized.parts.find((each) => each.name === name)?.trouble?.message;

  test('an unknown name, a division by zero, dimensions that do not fit', () => {
    const sized = broken({ rail: 'runn * 2', concrete: 'post / (rails - 2)', cap: 'run * 1ft' });
    expect(troubleOf(sized, 'rail')).toBe('“runn” is not known here.');
    expect(troubleOf(sized, 'concrete')).toBe('Division by zero.');
    expect(troubleOf(sized, 'cap')).toContain('an area, but a count is wanted');
    expect(quantities(sized)).toEqual(['b.cap=0', 'b.post=4', 'b.rail=0', 'b.concrete=0']);
  });

  test('parts that hang on each other', () => {
    const sized = broken({ post: 'cap + 1', rail: 'run' });
    expect(troubleOf(sized, 'cap')).toContain('hangs on itself');
    expect(troubleOf(sized, 'post')).toBeDefined();
    expect(quantities(sized)).toContain('b.rail=20');
  });

  test.each([
    [{ run: '5000' }, 'At most 1,000 ft.'],
    [{ spacing: '0' }, 'At least 1 ft.'],
    [{ run: '3ft * 4ft' }, 'This comes to an area, but a length is wanted.'],
    [{ rails: '2.5' }, 'A whole number.'],
    [{ caps: 'maybe' }, 'Yes or no.'],
    [{ run: 'floor' }, '“floor” needs the section’s dimensions: give it a length and a width.'],
  ])('an input that cannot be: %j', (values, message) => {
    const sized = sizeBundle(fence({ values: values as Record<string, string> }), nowhere);
    expect(sized.troubles.map((trouble) => trouble.message)).toContain(message);
  });

  test('a placeholder without a value is told', () =>
    expect(sizeBundle(fence({ detail: '{width} wide' }), nowhere).troubles).toEqual([
      { place: 'Description', message: '{width} has no value to show.' },
    ]));

  test('bundles that stand in each other without end, and a million parts, come to an end', () => {
    const again = Array.from({ length: 40 }, (_, i) => ({
      id: `n${i}`,
      name: `n${i}`,
      bundle: 'self',
      values: {},
    }));
    const recipe = { ...fence().recipe, parts: [...again, ...parts] };
    const sized = sizeBundle(fence({ recipe, within: { self: { name: 'Self', recipe } } }), nowhere);
    expect(sized.parts.length).toBeLessThanOrEqual(MOST_PARTS);
    expect(sized.troubles.map(({ message }) => message)).toEqual(
      expect.arrayContaining([
        expect.stringContaining('6 deep'),
        expect.stringContaining('at most 2000 parts'),
      ]),
    );
  });
});

describe('a bundle in a proposal', () => {
  const document = (more: Partial<Bundle> = {}) =>
    plainDocument([{ id: 's', title: 'Garden', entries: [fence({ values: { run: '124' }, ...more })] }]);

  test('is the sum of its parts, as one line or with its parts', () => {
    const [section] = computeFigures(document()).sections;
    // 17 × 3 + 17 × 14 + 248 × 2.50 + 1.259 × 150 = 51 + 238 + 620 + 188.85
    expect(writeAmount(section!.net, 2)).toBe('1097.85');
    const one = customerView(document(), asSuggested).sections[0]!.entries[0];
    expect(one).toMatchObject({ description: 'Fence along 124 ft', amount: '1097.85', parts: [] });
    const open = customerView(document({ shows: 'parts' }), asSuggested).sections[0]!.entries[0];
    expect(open).toMatchObject({ parts: [{ description: 'Post cap', amount: '51.00' }, {}, {}, {}] });
  });

  test('cannot be sent while something in it cannot be computed', () =>
    expect(checkDocument(document({ values: { run: '9999' } }))).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          weight: 'open',
          message: '“Fence along {run}”, Run: At most 1,000 ft.',
        }),
      ]),
    ));

  test('a line follows the space of its section', () => {
    const space = {
      shape: { kind: 'rectangle' as const, length: { value: '15' }, width: { value: '16' } },
      height: { value: '9' },
      openings: [],
    };
    const follows = (value: string) =>
      computeFigures(
        plainDocument([
          {
            id: 's',
            title: 'Room',
            space: { ...space, height: { value } },
            entries: [line('a', '1', '2', { unit: 'sqft', formula: 'walls * 1.1' })],
          },
        ]),
      ).sections[0]!.lines[0]!.quantity;
    expect(writeFixed(follows('9'))).toBe('613.8');
    expect(writeFixed(follows('10'))).toBe('682');
  });
});

test.each([
  [4n, 3n, '16 in'],
  [25n, 2n, '12 ft 6 in'],
  [1n, 1n, '1 ft'],
  [2n, 1n, '2 ft'],
  [31n, 48n, '7 3/4 in'],
  [1n, 32n, '3/8 in'],
  [113n, 48n, '2 ft 4 1/4 in'],
  [1n, 7n, '0.143 ft'],
  [0n, 1n, '0 ft'],
  [-5n, 2n, '−2 ft 6 in'],
])('%s/%s ft is said as %s', (top, bottom, said) => expect(showLength(reduced(top, bottom))).toBe(said));

test('a job’s changes worked into a recipe; what belongs to the job stays with it and is named', () => {
  const { recipe, left } = recipeOfJob(
    fence({
      values: { run: '30', spacing: 'length / 2' },
      changes: {
        post: { quantity: 'ceil(run / 6ft) + 1', typedCost: '9' },
        rail: { out: true },
        cap: { item: { ...item('Copper cap', 'each', '19'), itemId: 'copper' } },
      },
      added: [line('x', '2', '5', { itemId: 'gate', description: 'Gate' }), line('y', '1', '1')],
    }),
  );
  expect(recipe.inputs.map((input) => input.default)).toEqual(['30', '8', '2', 'yes']);
  expect(recipe.parts.map(({ name }) => name)).toEqual(['cap', 'post', 'concrete', 'gate']);
  expect(recipe.parts).toMatchObject([
    { item: 'copper' },
    { quantity: 'ceil(run / 6ft) + 1' },
    {},
    { quantity: '2' },
  ]);
  expect(left).toEqual(['The cost typed for “post”.', '“Line y”: it is not from the library.']);
});

test.each([
  ['Guard railing, {run}', 'Guard railing'],
  ['Steps, {risers} risers, {wide} wide', 'Steps'],
  ['Walls and ceiling lined', 'Walls and ceiling lined'],
  ['{count} posts', '{count} posts'],
])('%s is called %s for short', (name, short) => expect(shortName(name)).toBe(short));
