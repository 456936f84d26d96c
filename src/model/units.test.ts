import { perUnit, uneceOf, unitAfter, unitName, unitsFor, withOwn } from './units';

test('units somebody measures in and has of their own come before those of others; none is lost', () => {
  const us = unitsFor('us', ['roll']);
  const metric = unitsFor('metric', ['roll']);
  expect([...us].sort()).toEqual([...metric].sort());
  expect(us.indexOf('sqft')).toBeLessThan(us.indexOf('own:roll'));
  expect(us.indexOf('own:roll')).toBeLessThan(us.indexOf('sqm'));
  expect(metric.indexOf('sqm')).toBeLessThan(metric.indexOf('sqft'));
});

test('a unit of one’s own is read by its name; on an e-invoice it is a piece', () => {
  expect([unitName('own:roll'), unitAfter('3', 'own:roll'), perUnit('own:roll')]).toEqual([
    'roll',
    'roll',
    'per roll',
  ]);
  expect([uneceOf('own:roll'), uneceOf('sqm'), uneceOf('nonsense')]).toEqual(['C62', 'MTK', 'C62']);
  // Taken off the list, it is still offered where it stands.
  expect(withOwn(['sheet'], 'own:roll')).toEqual(['sheet', 'roll']);
  expect(withOwn(['roll'], 'own:roll')).toEqual(['roll']);
  expect(withOwn(['roll'], 'each')).toEqual(['roll']);
});
