import { unstorable } from './storable';

test.each([
  ['plain text', { a: ['x', { b: 'ü😀 ½' }] }, null],
  ['a NUL', { a: ['x', { b: 'x\u0000y' }] }, '/a/1/b'],
  ['half a pair', ['\ud800'], '/0'],
  ['the other half', { 'a/b~': '\udfff' }, '/a~1b~0'],
  ['a key that is no text', { a: { '\u0000': 1 } }, '/a'],
  ['a number past all', { n: 1e308 }, '/n'],
  ['a number', { n: -12.5 }, null],
])('%s', (_, input, place) => expect(unstorable(input)).toBe(place));

test('depth is bounded', () => {
  let deep: unknown = 'x';
  for (let i = 0; i < 100_000; i += 1) deep = [deep];
  expect(unstorable(deep)).not.toBeNull();
});
