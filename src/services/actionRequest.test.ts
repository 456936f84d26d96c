import { isActionBody, isActionName } from './actionRequest';

test.each([
  ['[]', true],
  ['[{"a":[1,"x","$$5.00",null]},"$undefined","$D2026-01-01T00:00:00.000Z","$n12","$-0"]', true],
  // The same thing twice is written once and referred to.
  ['[{"a":{"x":1},"b":"$0:0:a"}]', true],
  ['[{"a":"$0:0:b"}]', false],
  ['["$1:0"]', false],
  ['["$F1"]', false],
  ['["$@1"]', false],
  ['[{"a":["$K1"]}]', false],
  ['["$Q1"]', false],
  ['{}', false],
  ['[', false],
  ['', false],
  ['[\u0000]', false],
  [`${'['.repeat(4000)}${']'.repeat(4000)}`, false],
])('%.40s: %s', (text, is) => expect(isActionBody(text)).toBe(is));

test('names', () => {
  expect(isActionName('4'.repeat(42))).toBe(true);
  for (const name of ['', 'x', 'g'.repeat(42), '../x']) expect(isActionName(name)).toBe(false);
});
