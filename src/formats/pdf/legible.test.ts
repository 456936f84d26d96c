import { legible } from './legible';

test('letters the fonts have stay; others become plain signs, never other letters', () => {
  const name = 'Łucja Őrségi & Søn, 12′ 6″ × 3 ½ — Жанна';
  expect(legible({ name, list: [name], count: 3, none: null })).toEqual({
    name,
    list: [name],
    count: 3,
    none: null,
  });
  expect(legible('3 ⅛ ≤ 4 → ok\n日')).toBe('3 1/8 <= 4 -> ok\n?');
});
