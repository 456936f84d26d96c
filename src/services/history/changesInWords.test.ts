import { changesInWords } from './changesInWords';

test('each value that changed is said, from what to what, wherever it stands', () => {
  const before = { name: 'Old', address: { street: '1 Row', city: 'Marrowby' }, taxNumber: '' };
  const after = { name: 'New', address: { street: '2 Row', city: 'Marrowby' }, taxNumber: 'T-1' };
  expect(changesInWords({ before, after })).toEqual([
    'name: Old → New',
    'address, street: 1 Row → 2 Row',
    'tax number: nothing → T-1',
  ]);
  expect(changesInWords({ before: 'Seller', after: 'Field' })).toEqual(['Seller → Field']);
  expect(changesInWords({ before, after: before })).toEqual([]);
});

test('without before and after what is known of it, and no identity', () => {
  const id = '01a22d95-baf7-757d-9fc8-edec68e94c5d';
  expect(changesInWords({ code: 'D-1', proposalId: id, by: null, done: true, list: [1] })).toEqual([
    'code: D-1',
    'by: nothing',
    'done: yes',
  ]);
  expect(changesInWords({ before: id, after: id.replace('0', '1') })).toEqual([]);
});

test('very much is cut, and says so', () => {
  const many = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`k${i}`, i]));
  const lines = changesInWords(many);
  expect(lines).toHaveLength(13);
  expect(lines.at(-1)).toBe('and 28 more');
  expect(changesInWords({ note: 'x'.repeat(500) })[0]!.endsWith(' …')).toBe(true);
});
