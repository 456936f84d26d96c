import fc from 'fast-check';
import { mergeOver } from '.';

interface Part {
  readonly id: string;
  readonly name: string;
  readonly inner?: readonly Part[];
}
interface Sheet {
  readonly title: string;
  readonly note?: string;
  readonly parts: readonly Part[];
}

const part = (id: string, name = id): Part => ({ id, name });
const base: Sheet = { title: 'Porch', parts: [part('a'), part('b'), part('c')] };

const anyPart = fc.letrec<{ part: Part }>((tie) => ({
  part: fc.record(
    {
      id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
      name: fc.constantFrom('x', 'y', 'z'),
      inner: fc.uniqueArray(tie('part'), { maxLength: 3, selector: ({ id }) => id }),
    },
    { requiredKeys: ['id', 'name'] },
  ),
})).part;
const anySheet: fc.Arbitrary<Sheet> = fc.record(
  {
    title: fc.constantFrom('x', 'y'),
    note: fc.constantFrom('n', 'm'),
    parts: fc.uniqueArray(anyPart, { maxLength: 5, selector: ({ id }) => id }),
  },
  { requiredKeys: ['title', 'parts'] },
);

test('what only one of us changed is as they made it', () =>
  fc.assert(
    fc.property(anySheet, anySheet, (was, now) => {
      expect(mergeOver(was, now, was)).toEqual(now);
      expect(mergeOver(was, was, now)).toEqual(now);
      expect(mergeOver(was, now, now)).toEqual(now);
    }),
  ));

test('every part is there once', () =>
  fc.assert(
    fc.property(anySheet, anySheet, anySheet, (was, mine, theirs) => {
      const ids = mergeOver(was, mine, theirs).parts.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
    }),
  ));

test('both stay where they touch different things, mine where they touch the same', () => {
  const mine: Sheet = { ...base, title: 'Mine', parts: [part('a', 'A'), part('b'), part('c'), part('m')] };
  const theirs: Sheet = {
    ...base,
    title: 'Theirs',
    note: 'theirs',
    parts: [part('a', 'other'), part('t'), part('b', 'B'), part('c')],
  };
  expect(mergeOver(base, mine, theirs)).toEqual({
    title: 'Mine',
    note: 'theirs',
    parts: [part('a', 'A'), part('t'), part('b', 'B'), part('c'), part('m')],
  });
});

test('taken out by one stays out, unless the other changed it', () => {
  const without: Sheet = { ...base, parts: [part('a'), part('c')] };
  expect(mergeOver(base, without, { ...base, title: 'New' }).parts.map(({ id }) => id)).toEqual(['a', 'c']);
  expect(mergeOver(base, { ...base, title: 'New' }, without).parts.map(({ id }) => id)).toEqual(['a', 'c']);
  const changed: Sheet = { ...base, parts: [part('a'), part('b', 'B'), part('c')] };
  expect(mergeOver(base, changed, without).parts.map(({ name }) => name)).toEqual(['a', 'B', 'c']);
  expect(mergeOver(base, without, changed).parts.map(({ id }) => id)).toEqual(['a', 'c']);
});
