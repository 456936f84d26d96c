import type { ItemPart, Recipe } from '@/model';
import {
  nameFrom,
  offeredQuantity,
  renamed,
  withBundlePart,
  withFigurePart,
  withGradeOfPart,
  withItemPart,
  withoutPartAt,
  withPartMoved,
} from './recipe';

const fence: Recipe = {
  inputs: [{ name: 'run', label: 'Run', kind: 'length', default: '10' }],
  grades: [],
  parts: [],
};

test('names for formulas come from words and are free', () => {
  expect(nameFrom('Post base, galvanised', [])).toBe('post_base');
  expect(nameFrom('2×8 lumber', ['lumber', 'x8_lumber'])).toBe('lumber_2');
  expect(nameFrom('½', [])).toBe('part');
});

test('a name changed is changed in every formula, and in nothing that only looks like it', () => {
  const recipe = {
    ...fence,
    parts: [
      {
        id: 'a',
        name: 'post',
        item: 'i',
        quantity: 'ceil(run / 8ft) + run_up + floor(run)',
        when: 'run > 2',
      },
      { id: 'b', name: 'gate', bundle: 'g', values: { run: 'run * 2' }, times: 'run' },
    ],
  };
  expect(renamed(recipe, 'run', 'length_of_fence')).toMatchObject({
    inputs: [{ name: 'length_of_fence' }],
    parts: [
      {
        name: 'post',
        quantity: 'ceil(length_of_fence / 8ft) + run_up + floor(length_of_fence)',
        when: 'length_of_fence > 2',
      },
      // The inner bundle’s own input keeps its name.
      { values: { run: 'length_of_fence * 2' }, times: 'length_of_fence' },
    ],
  });
});

test('what is counted is offered along a length with one to end with, what is measured by it', () => {
  expect(offeredQuantity(fence, 'each')).toBe('ceil(run / 8ft) + 1');
  expect(offeredQuantity(fence, 'ft')).toBe('run');
  expect(offeredQuantity({ ...fence, inputs: [] }, 'each')).toBe('1');
});

test('parts are added under free identities and names', () => {
  const post = { id: 'i1', name: 'Post, cedar', unit: 'each' } as const;
  const twice = withItemPart(withItemPart(fence, post), post);
  expect(twice.parts.map(({ id, name }) => [id, name])).toEqual([
    ['p1', 'post'],
    ['p2', 'post_2'],
  ]);
  // The identity of a part that is gone may be free; one that stands is never given twice.
  const again = withFigurePart(withoutPartAt(twice, 0));
  expect(new Set(again.parts.map(({ id }) => id)).size).toBe(2);
  expect(again.parts.at(-1)).toMatchObject({ name: 'figure', item: null, quantity: 'run' });
});

test('a bundle within is handed the inputs of the same name, and is named without what is filled in', () => {
  const gate = {
    id: 'g',
    name: 'Gate {width}',
    recipe: { inputs: [fence.inputs[0]!, { ...fence.inputs[0]!, name: 'width' }] },
  };
  expect(withBundlePart(fence, gate).parts).toEqual([
    { id: 'p1', name: 'gate', bundle: 'g', values: { run: 'run' } },
  ]);
});

test('a part is moved by one, and not past an end', () => {
  const three = [1, 2, 3].reduce(withFigurePart, fence);
  const order = (recipe: Recipe) => recipe.parts.map(({ id }) => id).join(' ');
  expect(order(withPartMoved(three, 2, -1))).toBe('p1 p3 p2');
  expect(order(withPartMoved(three, 0, -1))).toBe('p1 p2 p3');
  expect(order(withPartMoved(three, 2, 1))).toBe('p1 p2 p3');
});

test('what a part is in a grade is set, left out and taken back', () => {
  const part: ItemPart = { id: 'p1', name: 'post', item: 'i1', quantity: '1' };
  const set = withGradeOfPart(part, 'better', 'i2');
  expect(set).toMatchObject({ grades: { better: 'i2' } });
  expect(withGradeOfPart(set, 'plain', null)).toMatchObject({ grades: { better: 'i2', plain: null } });
  expect(withGradeOfPart(set, 'better', undefined)).toEqual(part);
});
