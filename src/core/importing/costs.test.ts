import { readCosts } from './costs';

const headings = ['Date', 'What', 'Cost type', 'Amount', 'Hours', 'Rate', 'Stage', 'Cost_code', 'Supplier'];
const read = (...cells: string[]) =>
  readCosts(headings, [{ row: 2, cells }], { stages: ['Frame stands', 'Roof'], minorDigits: 2 })[0]!;

test('a cost by its amount, one by hours and rate; the stage is known whatever its capitals', () => {
  expect(
    read('2026-05-03', 'Studs', 'Material', '$ 1,250.50', '', '', 'frame STANDS', '06-110', 'Timber yard'),
  ).toEqual({
    row: 2,
    cost: {
      spentOn: '2026-05-03',
      what: 'Studs',
      costType: 'material',
      amount: '1250.50',
      hours: null,
      rate: null,
      stage: 'Frame stands',
      costCode: '06-110',
      supplier: 'Timber yard',
    },
  });
  // 6.25 × 46.30 = 289.375, rounded half away from zero
  expect(read('2026-05-03', 'Carpenter', 'labour', '', '6.25', '46.30', '', '', '')).toMatchObject({
    cost: { amount: '289.38', hours: '6.25', rate: '46.3', stage: null, costCode: null },
  });
  expect(read('2026-05-03', 'Carpenter', 'labour', '289.38', '6.25', '46.30')).toHaveProperty('cost');
});

test.each([
  [['2026-02-30', 'x', 'material', '1'], 'The date is a day'],
  [['3 May', 'x', 'material', '1'], 'The date is a day'],
  [['2026-05-03', '', 'material', '1'], 'is missing'],
  [['2026-05-03', 'x', 'wood', '1'], 'The cost type is one of'],
  [['2026-05-03', 'x', 'material', ''], 'The amount is missing'],
  [['2026-05-03', 'x', 'material', '0.00'], 'The amount is nothing'],
  [['2026-05-03', 'x', 'material', '1.005'], 'more than 2 decimals'],
  [['2026-05-03', 'x', 'material', 'much'], 'is no number'],
  [['2026-05-03', 'x', 'labour', '', '3', ''], 'come together'],
  [['2026-05-03', 'x', 'labour', '10', '3', '5'], 'Hours times rate is 15.00, not 10'],
  [['2026-05-03', 'x', 'material', '1', '', '', 'Cellar'], 'has no stage “Cellar”'],
])('%j is wrong: %s', (cells, words) => {
  const found = read(...cells);
  expect('wrong' in found ? found.wrong : '').toContain(words);
});
