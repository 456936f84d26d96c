/*
 * Contrast of colors against what WCAG 2.2 says and its working group publishes of it (from memory): black on white is 21 to
 * 1, #767676 is the lightest gray that reaches 4.5 to 1 on white, #777777 does not.
 */
import { contrast, isLegible } from '@/core/text/contrast';

test.each([
  ['#000000', '#ffffff', 21],
  ['#ffffff', '#ffffff', 1],
  ['#767676', '#ffffff', 4.54],
  ['#777777', '#ffffff', 4.48],
  ['#0000ff', '#ffffff', 8.59],
  ['#ff0000', '#ffffff', 4.0],
])('%s on %s is %d to 1', (one, other, ratio) => {
  expect(contrast(one, other)).toBeCloseTo(ratio, 1);
  expect(contrast(other, one)).toBe(contrast(one, other));
});

test('what is read on white and on the customer’s paper is taken, what is too light is not', () => {
  expect(['#1d5a43', '#22282b', '#7a1f3d'].map(isLegible)).toEqual([true, true, true]);
  expect(['#777777', '#ff0000', '#ffd800'].map(isLegible)).toEqual([false, false, false]);
});
