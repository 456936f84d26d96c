import { emptyBundle, nameFrom, renamed } from './draft';

test('names for formulas come from words and are free', () => {
  expect(nameFrom('Post base, galvanised', [])).toBe('post_base');
  expect(nameFrom('2×8 lumber', ['lumber', 'x8_lumber'])).toBe('lumber_2');
  expect(nameFrom('½', [])).toBe('part');
});

test('a name changed is changed in every formula, and in nothing that only looks like it', () => {
  const recipe = {
    ...emptyBundle.recipe,
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
