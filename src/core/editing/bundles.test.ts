import type { Bundle, LibraryBundle, PricedItem, ProposalDocument, Recipe } from '@/model';
import { asSuggested } from '@/model';
import { line, plainDocument } from '../../../tests/support/documents';
import { edited } from '../../../tests/support/edits';
import { FormulaError } from '../formula';
import type { Amount } from '../number';
import { writeAmount } from '../number';
import { computeFigures } from '../price';
import {
  PartGone,
  addBundle,
  addToBundle,
  bundleFromLibrary,
  changePart,
  findBundle,
  refreshBundle,
  revertPart,
  setBundle,
  setBundleValue,
} from '.';

const item = (description: string, amount: string, taxClass = 'taxed'): PricedItem => ({
  description,
  unit: 'each',
  costs: [{ type: 'material', amount }],
  taxClass,
});

/** Steps: a tread each, two stringers; better treads in a better grade. */
const recipe: Recipe = {
  inputs: [
    { name: 'steps', label: 'Steps', kind: 'count', default: '3' },
    { name: 'rail', label: 'Rail', kind: 'yesno', default: 'no' },
  ],
  grades: [
    { id: 'plain', name: 'Plain' },
    { id: 'good', name: 'Good' },
  ],
  parts: [
    { id: 'tread', name: 'treads', item: 'pine', quantity: 'steps', grades: { good: 'oak' } },
    { id: 'side', name: 'sides', item: 'stringer', quantity: '2' },
    { id: 'rail', name: 'rails', item: 'post', quantity: '2', when: 'rail' },
  ],
};
const items = {
  pine: item('Tread, pine', '10'),
  oak: item('Tread, oak', '25'),
  stringer: item('Stringer', '30'),
  post: item('Post', '12'),
};
const library: LibraryBundle = {
  id: 'lib1',
  edition: 4,
  code: 'ST-1',
  name: 'Steps',
  detail: '{steps} steps',
  internalNote: 'ours alone',
  trade: 'Carpentry',
  tags: [],
  recipe,
  shows: 'parts',
} as LibraryBundle;
const makeup = { recipe, within: {}, items };

const start = plainDocument([
  { id: 's1', title: 'Front', entries: [line('a', '1', '100'), line('z', '1', '1')] },
]);
const withSteps = edited(start, (d) => addBundle(d, 's1', bundleFromLibrary(library, makeup, 'b'), 'a'));
const steps = (document: ProposalDocument): Bundle => findBundle(document, 'b')!.bundle;
/** Beside the bundle there are lines of 101. */
const price = (document: ProposalDocument) =>
  writeAmount((computeFigures(document, asSuggested).subtotal - 10100n) as Amount, 2);

test('a bundle from the library is a copy that stands by itself, with nothing internal in it', () => {
  const made = bundleFromLibrary(library, makeup, 'b', '5');
  expect(made).toMatchObject({
    ...{ bundleId: 'lib1', edition: 4, code: 'ST-1', name: 'Steps', detail: '{steps} steps' },
    ...{ values: { steps: '5' }, grade: 'plain', shows: 'parts', changes: {}, added: [] },
  });
  expect(JSON.stringify(made)).not.toContain('ours alone');
  const bare = bundleFromLibrary(
    { ...library, detail: '', recipe: { ...recipe, inputs: [], grades: [] } },
    makeup,
    'b',
    '5',
  );
  expect([bare.values, bare.grade, bare.detail]).toEqual([{}, undefined, undefined]);
});

test('it goes behind the entry named, else to the end; items of a tax class not known here take the first', () => {
  const order = (d: ProposalDocument) => d.sections[0]!.entries.map(({ id }) => id).join(' ');
  expect(order(withSteps)).toBe('a b z');
  const foreign = { ...makeup, items: { ...items, pine: item('Tread, pine', '10', 'elsewhere') } };
  const last = edited(start, (d) => addBundle(d, 's1', bundleFromLibrary(library, foreign, 'b'), 'gone'));
  expect(order(last)).toBe('a z b');
  expect(steps(last).items.pine!.taxClass).toBe('taxed');
});

test('inputs and grade size it: 3 treads and 2 stringers, 90', () => {
  expect(price(withSteps)).toBe('90.00');
  const five = edited(withSteps, (d) => setBundleValue(d, 'b', 'steps', ' 5 '));
  expect(price(five)).toBe('110.00');
  const good = edited(five, (d) => setBundle(d, 'b', { grade: 'good' }));
  expect(price(good)).toBe('185.00');
  const railed = edited(good, (d) => setBundleValue(d, 'b', 'rail', 'yes'));
  expect(price(railed)).toBe('209.00');
  // Empty text: the default again.
  expect(price(edited(railed, (d) => setBundleValue(d, 'b', 'steps', ' ')))).toBe('159.00');
});

test('what it is called and says; empty text takes away what may be empty, never the name', () => {
  const named = edited(withSteps, (d) =>
    setBundle(d, 'b', {
      ...{ name: ' Garden steps ', detail: ' Down to the lawn ', internalNote: 'wet ground', phase: 'Frame' },
      ...{ open: 'how many?', shows: 'one', extra: { in: false } },
    }),
  );
  expect(steps(named)).toMatchObject({
    ...{ name: 'Garden steps', detail: 'Down to the lawn', internalNote: 'wet ground', phase: 'Frame' },
    ...{ open: 'how many?', shows: 'one', extra: { in: false } },
  });
  const cleared = edited(named, (d) =>
    setBundle(d, 'b', { name: ' ', detail: ' ', internalNote: '', phase: '', open: '', extra: null }),
  );
  const left = steps(cleared);
  expect([left.name, left.detail, left.internalNote, left.phase, left.open, left.extra]).toEqual([
    'Garden steps',
    ...[undefined, undefined, undefined, undefined, undefined],
  ]);
});

test('a part is changed for this job only: the recipe stays, and the change can be taken back', () => {
  const change = (edit: Parameters<typeof changePart>[3], from = withSteps) =>
    edited(from, (d) => changePart(d, 'b', 'tread', edit));
  // Two treads more than steps; at 11; at a price of 20.005 that is 20.01 (half away from nothing).
  expect(price(change({ quantity: 'steps + 2' }))).toBe('110.00');
  expect(price(change({ typedCost: '11' }))).toBe('93.00');
  expect(price(change({ heldPrice: '20.005' }))).toBe('120.03');
  expect(price(change({ out: true }))).toBe('60.00');
  expect(price(change({ item: item('Tread, ash', '15', 'elsewhere') }))).toBe('105.00');
  const all = change({
    description: ' Wide tread ',
    overtime: true,
    quantity: '4',
    typedCost: '1/4',
    out: true,
  });
  expect(steps(all).changes.tread).toEqual({
    ...{ description: 'Wide tread', overtime: true, quantity: '4', typedCost: '0.25', out: true },
  });
  expect(steps(all).recipe).toEqual(recipe);
  const back = change(
    { description: '', overtime: false, quantity: ' ', typedCost: '', heldPrice: '', out: false },
    all,
  );
  expect(back).toEqual(withSteps);
  expect(edited(all, (d) => revertPart(d, 'b', 'tread'))).toEqual(withSteps);
});

test('a held price by hand ends what shaping had set', () => {
  const shaped = edited(withSteps, (d) => {
    steps(d).changes.tread = { shapedPrice: '11.5' };
  });
  const held = edited(shaped, (d) => changePart(d, 'b', 'tread', { heldPrice: '12' }));
  expect(steps(held).changes.tread).toEqual({ heldPrice: '12' });
  expect(edited(shaped, (d) => changePart(d, 'b', 'tread', { heldPrice: '' }))).toEqual(withSteps);
});

test.each([
  ['a formula', { quantity: 'steps +' }],
  ['a cost', { typedCost: 'dear' }],
  ['a price', { heldPrice: '1..2' }],
])('%s that cannot be read changes nothing', (_, edit) => {
  expect(() => edited(withSteps, (d) => changePart(d, 'b', 'tread', edit))).toThrow(FormulaError);
});

test('a line added on this job counts with it, and is taxed like the rest', () => {
  const more = edited(withSteps, (d) => addToBundle(d, 'b', line('x', '2', '7', { taxClass: 'elsewhere' })));
  expect(price(more)).toBe('104.00');
  expect(steps(more).added[0]!.taxClass).toBe('taxed');
});

test('taken anew from the library: what was typed stays where it still has a place', () => {
  const typed = edited(withSteps, (d) => {
    setBundleValue(d, 'b', 'steps', '5');
    setBundleValue(d, 'b', 'rail', 'yes');
    setBundle(d, 'b', { grade: 'good', name: 'Garden steps' });
    changePart(d, 'b', 'tread', { quantity: '7' });
    changePart(d, 'b', 'rail', { out: true });
    addToBundle(d, 'b', line('x', '1', '7'));
  });
  const fresh = {
    recipe: {
      inputs: recipe.inputs.slice(0, 1),
      grades: recipe.grades.slice(0, 1),
      parts: recipe.parts.slice(0, 2),
    },
    within: {},
    items: { ...items, pine: item('Tread, pine', '12') },
    edition: 5,
  };
  const after = steps(edited(typed, (d) => refreshBundle(d, 'b', fresh)));
  expect(after).toMatchObject({ name: 'Garden steps', edition: 5, values: { steps: '5' } });
  expect(Object.keys(after.values)).toEqual(['steps']);
  expect(after.changes).toEqual({ tread: { quantity: '7' } });
  expect([after.grade, after.added.length]).toEqual([undefined, 1]);
  // 7 treads at 12, 2 stringers, the line added.
  expect(price(edited(typed, (d) => refreshBundle(d, 'b', fresh)))).toBe('151.00');
});

test('a bundle that is gone meanwhile is said so', () => {
  for (const edit of [
    (d: ProposalDocument) => setBundleValue(d, 'a', 'steps', '1'),
    (d: ProposalDocument) => setBundle(d, 'gone', {}),
    (d: ProposalDocument) => changePart(d, 'gone', 'tread', {}),
    (d: ProposalDocument) => revertPart(d, 'gone', 'tread'),
    (d: ProposalDocument) => addBundle(d, 'gone', steps(withSteps)),
  ])
    expect(() => edited(withSteps, edit)).toThrow(PartGone);
});
