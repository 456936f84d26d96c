import fc from 'fast-check';
import { anyDocument, line, plainDocument } from '../../../tests/support/documents';
import { parseAmount } from '../number';
import { compareDocuments } from '.';

test('line by line: what came, what went, what moved, and the sums before and after, with our cost', () => {
  const before = plainDocument([
    { id: 's', title: 'Deck', entries: [line('a', '10', '5'), line('b', '1', '40'), line('c', '2', '3')] },
  ]);
  const after = {
    ...before,
    title: 'Another',
    sections: [
      { id: 's', title: 'Deck', entries: [line('a', '12', '5'), line('c', '2', '3'), line('d', '1', '9')] },
    ],
  };
  const changes = compareDocuments(before, after);
  expect(changes.lines.map(({ name, difference }) => [name, difference])).toEqual([
    ['Line a', '10.00'],
    ['Line d', '9.00'],
    ['Line b', '-40.00'],
  ]);
  expect(changes.lines[0]).toMatchObject({
    before: { quantity: '10', cost: '50.00' },
    after: { quantity: '12', cost: '60.00' },
  });
  expect(changes.sums.at(-1)).toEqual({ name: 'Total', before: '96.00', after: '75.00' });
  expect(changes.words).toContainEqual({ what: 'Title', before: 'Example', after: 'Another' });
  expect(changes.words).toContainEqual({ what: 'Deck', before: '96.00', after: '75.00' });
});

test('what is held back, and the days stages are planned for, are differences the customer reads', () => {
  const before = plainDocument([{ id: 's', title: 'Deck', entries: [line('a', '1', '50')] }], {
    schedule: [
      {
        id: 'f',
        name: 'Final',
        kind: 'final',
        share: { rest: true },
        due: { on: 'stage', stage: 'Completion' },
      },
    ],
  });
  const after = {
    ...before,
    billing: { retainage: { percent: '10' } },
    stages: [{ name: 'Completion', planned: '2031-05-06' }],
  };
  expect(compareDocuments(before, after).words).toEqual([
    {
      what: 'Payment: Final, due',
      before: 'when done: completion',
      after: 'when done: completion, planned for 6 May 2031',
    },
    {
      what: 'How it is billed',
      before: null,
      after: 'Retainage of 10 % is held from every invoice for work and paid when the work is complete.',
    },
  ]);
});

test('the differences of the lines are the difference of the sums, whatever the proposals', () => {
  fc.assert(
    fc.property(anyDocument({ most: 4 }), anyDocument({ most: 4 }), (one, other) => {
      // What takes off the whole, adds to it, or takes tax out of prices is no line's.
      const plain = ({ discount: _, tax: __, ...document }: typeof one) => ({ ...document, fees: [] });
      const { lines, sums } = compareDocuments(plain(one), plain(other));
      const price = sums.find(({ name }) => name === 'Price before tax')!;
      const moved = lines.reduce((sum, { difference }) => sum + parseAmount(difference, 2), 0n);
      expect(parseAmount(price.after, 2) - parseAmount(price.before, 2)).toBe(moved);
      expect(compareDocuments(one, one)).toMatchObject({ lines: [], words: [] });
    }),
  );
});
