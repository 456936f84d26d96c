import { browserWords } from './browserWords';

// What browsers say of themselves: common practice, no source.
test.each([
  [
    'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36',
    'Chrome on Linux',
  ],
  ['Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:130.0) Gecko/20100101 Firefox/130.0', 'Firefox on Windows'],
  [
    'Mozilla/5.0 (iPhone; CPU iPhone OS 17_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/17.5 Mobile/15E148 Safari/604.1',
    'Safari on iOS',
  ],
  ['', 'Unknown browser'],
  ['test', 'Unknown browser'],
])('%s', (said, words) => {
  expect(browserWords(said)).toBe(words);
});
