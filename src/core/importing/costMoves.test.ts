import type { CostPart } from '@/model';
import { parseFixed } from '../number';
import { costMoves } from './costMoves';
import type { Planned } from './plan';

const costs = (amount: string): CostPart[] => [{ type: 'material', amount }];
const planned = (code: string, amount: string): Planned => ({
  ...{ row: 2, code, retired: false, changes: ['cost'] },
  item: { code, costs: costs(amount) } as Planned['item'],
});
const library = (rows: Readonly<Record<string, string>>) =>
  new Map(Object.entries(rows).map(([code, amount]) => [code, { costs: costs(amount) }]));

test('costs move by a share of what they were, the furthest first; what stays is left out', () => {
  const { moves, rise, fall, middle } = costMoves(
    [planned('a', '11'), planned('b', '5'), planned('c', '3'), planned('d', '4'), planned('new', '7')],
    library({ a: '10', b: '8', c: '3', d: '0' }),
  );
  expect(moves.map(({ code, share }) => [code, share])).toEqual([
    ['d', null],
    ['b', parseFixed('-0.375')],
    ['a', parseFixed('0.1')],
  ]);
  expect([rise, fall, middle]).toEqual([2, 1, parseFixed('-0.1375')]);
});

test('a cost below zero that falls further is a fall; nothing that moves has no middle', () => {
  const { moves, fall } = costMoves([planned('back', '-6')], library({ back: '-5' }));
  expect([moves[0]!.share, fall]).toEqual([parseFixed('-0.2'), 1]);
  expect(costMoves([planned('x', '2')], library({ x: '2' }))).toEqual({
    moves: [],
    rise: 0,
    fall: 0,
    middle: null,
  });
});

test('of an odd count the middle is one of them', () => {
  const { middle } = costMoves(
    [planned('a', '101'), planned('b', '110'), planned('c', '150')],
    library({ a: '100', b: '100', c: '100' }),
  );
  expect(middle).toBe(parseFixed('0.1'));
});
