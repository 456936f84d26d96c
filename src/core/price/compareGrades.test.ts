import fc from 'fast-check';
import { bundle, plainDocument } from '../../../tests/support/documents';
import type { Bundle } from '@/model';
import { sumAmounts } from '../number';
import { compareGrades, computeFigures } from '.';

const item = (amount: string) => ({
  description: `Board at ${amount}`,
  unit: 'ft' as const,
  costs: [{ type: 'material' as const, amount }],
  taxClass: 'taxed',
});
const items = { pine: item('2'), cedar: item('4'), clip: item('0.5') };
const deck: Bundle = {
  ...bundle(
    'b',
    items,
    [
      { id: 'boards', name: 'boards', item: 'pine', quantity: '100', grades: { cedar: 'cedar' } },
      { id: 'screws', name: 'screws', item: 'clip', quantity: '200' },
      { id: 'stain', name: 'stain', item: 'pine', quantity: '3', grades: { cedar: null } },
      { id: 'clips', name: 'clips', item: null, quantity: '50', grades: { cedar: 'clip' } },
    ],
    { grade: 'usual' },
  ),
};
const graded: Bundle = {
  ...deck,
  recipe: {
    ...deck.recipe,
    grades: [
      { id: 'usual', name: 'Pine' },
      { id: 'cedar', name: 'Cedar' },
    ],
  },
};
const tried = (made: Bundle, grade: string) =>
  computeFigures(
    plainDocument([{ id: 's', title: 'Deck', entries: [{ ...made, grade }] }]),
  ).sections[0]!.bundles.get('b')!;

test('what is another item, is dropped or is added differs; the rest is alike; the difference is that of the wholes', () => {
  const { differs, alike, cost } = compareGrades(tried(graded, 'usual'), tried(graded, 'cedar'));
  expect(differs.map(({ id, one, other }) => [id.split('.').at(-1), one !== null, other !== null])).toEqual([
    ['boards', true, true],
    ['stain', true, false],
    ['clips', false, true],
  ]);
  expect(alike.count).toBe(1);
  // 100 at 4 for 100 at 2, 50 at 0.50 more, and 3 at 2 less: by hand.
  expect(cost).toBe(20000n + 2500n - 600n);
});

test('a grade compared with itself is alike throughout', () => {
  const one = tried(graded, 'cedar');
  expect(compareGrades(one, one)).toMatchObject({
    differs: [],
    cost: 0n,
    net: 0n,
    alike: { cost: one.cost },
  });
});

test('whatever the quantities, what differs and what is alike come to both wholes', () =>
  fc.assert(
    fc.property(fc.array(fc.nat({ max: 5000 }), { minLength: 4, maxLength: 4 }), (quantities) => {
      const made: Bundle = {
        ...graded,
        recipe: {
          ...graded.recipe,
          parts: graded.recipe.parts.map(
            (part, i) => ({ ...part, quantity: String(quantities[i]) }) as never,
          ),
        },
      };
      const [one, other] = [tried(made, 'usual'), tried(made, 'cedar')];
      const { differs, alike } = compareGrades(one, other);
      const side = (of: 'one' | 'other', what: 'costAmount' | 'net') =>
        sumAmounts(differs.flatMap((each) => (each[of] ? [each[of][what]] : [])));
      expect(side('one', 'costAmount') + alike.cost).toBe(one.cost);
      expect(side('other', 'costAmount') + alike.cost).toBe(other.cost);
      expect(side('one', 'net') + alike.net).toBe(one.net);
      expect(side('other', 'net') + alike.net).toBe(other.net);
    }),
  ));
