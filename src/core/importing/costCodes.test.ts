import { costCodeFor } from '@/model';
import { costCodesAsText, readCostCodes } from './costCodes';

test('a list is read with tabs, semicolons or commas, with a heading or without', () => {
  const read = [
    { code: '06-100', name: 'Rough carpentry' },
    { code: '08 50', name: '' },
  ];
  expect(readCostCodes('Code\tName\n06-100\tRough carpentry\n08 50')).toEqual(read);
  expect(readCostCodes('06-100; Rough carpentry; more\r\n\r\n08 50;')).toEqual(read);
  expect(readCostCodes('"06-100","Rough carpentry"\n08 50')).toEqual(read);
  expect(readCostCodes(costCodesAsText(read))).toEqual(read);
  expect(readCostCodes('')).toEqual([]);
});

test.each([
  ['06; A\n06; B', 'Line 2: the code 06 stands there twice.'],
  ['; A', 'Line 1: a code is wanted before the name.'],
  [`${'x'.repeat(41)}; A`, 'Line 1: a code has at most 40 letters.'],
  [`1; ${'x'.repeat(121)}`, 'Line 1: a name has at most 120 letters.'],
  [
    Array.from({ length: 2001 }, (_, i) => `c${i}`).join('\n'),
    'Line 2001: a company has at most 2000 codes.',
  ],
])('what is wrong is said with its line', (text, why) => {
  expect(() => readCostCodes(text)).toThrow(why);
});

test('an item without a code has that of its trade; its own stands', () => {
  const codes = { codes: [], byTrade: { Roofing: '07-300' } };
  expect(costCodeFor('', 'Roofing', codes)).toBe('07-300');
  expect(costCodeFor('99', 'Roofing', codes)).toBe('99');
  expect(costCodeFor('', 'constructor', codes)).toBe('');
});
