import { keysOf } from './keys';

const titles = (path: string, place = '') => keysOf(path, place).map(({ title }) => title);
const id = '01a226f9-140b-7067-b28b-aa513f50a027';

test('the sheet of keys knows the place one is in', () => {
  expect(titles('/today')).toEqual(['Everywhere']);
  expect(titles('/money/payments')).toEqual(['In a list', 'Everywhere']);
  expect(titles(`/proposals/${id}`)).toEqual([
    ...['Adding', 'On a line or bundle', 'On a section', 'In cells', 'In a proposal', 'Everywhere'],
  ]);
  expect(titles(`/proposals/${id}`, 'step=price')).toEqual(['In cells', 'In a proposal', 'Everywhere']);
  expect(titles(`/proposals/${id}`, 'step=send')).toEqual(['In a proposal', 'Everywhere']);
  expect(titles('/proposals/new')).toEqual(['Everywhere']);
});

test('no place has two meanings for one key of its own', () => {
  for (const group of keysOf(`/proposals/${id}`, '')) {
    const keys = group.keys.map(([key]) => key);
    expect(new Set(keys).size).toBe(keys.length);
  }
});
