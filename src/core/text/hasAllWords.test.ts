import { hasAllWords } from './hasAllWords';

test('all words, in any case and order; no words are in every text', () => {
  expect(hasAllWords('joist 2X8', 'Joist, treated 2x8')).toBe(true);
  expect(hasAllWords('joist oak', 'Joist, treated 2x8')).toBe(false);
  expect(hasAllWords('  ', '')).toBe(true);
});
