import type { Plan, PlanPoint } from '@/model';
import { areaAround, firstLabel, isEnough, magnets, pointsOf, settled, tools } from './drawing';

const plan: Plan = {
  id: 'p',
  name: 'Ground floor',
  file: crypto.randomUUID(),
  width: 10_000,
  height: 8_000,
  scale: { from: [100, 100], to: [900, 100], length: { value: '20' } },
  traced: [
    {
      id: 'deck',
      name: 'deck',
      label: 'Deck',
      kind: 'area',
      figures: [
        {
          points: [
            [1000, 1000],
            [3000, 1000],
            [3000, 3000],
            [1000, 3000],
          ],
        },
        {
          points: [
            [1400, 1400],
            [1600, 1400],
            [1600, 1600],
          ],
          cut: true,
        },
      ],
    },
    {
      id: 'yard',
      name: 'yard',
      label: 'Yard',
      kind: 'area',
      figures: [
        {
          points: [
            [0, 0],
            [5000, 0],
            [5000, 5000],
            [0, 5000],
          ],
        },
      ],
    },
    { id: 'posts', name: 'posts', label: 'Count 1', kind: 'count', figures: [{ points: [[2000, 2000]] }] },
  ],
};
const near = magnets(plan, []);

describe('where a click counts', () => {
  test('on a corner that is near, the nearest of several', () => {
    expect(settled([1003, 996], plan, near, 10, undefined, false)).toEqual([1000, 1000]);
    expect(settled([1011, 1000], plan, near, 10, undefined, false)).toEqual([1011, 1000]);
    expect(
      settled(
        [1004, 0],
        plan,
        [
          [1000, 0],
          [1006, 0],
        ],
        10,
        undefined,
        false,
      ),
    ).toEqual([1006, 0]);
  });
  test('marks that are counted do not draw it to them; the ends of the scale do', () => {
    expect(near).not.toContainEqual([2000, 2000]);
    expect(settled([899.6, 101], plan, near, 5, undefined, false)).toEqual([900, 100]);
  });
  test('within the plan, in whole units', () => {
    expect(settled([-40, 9_000.4], plan, near, 5, undefined, false)).toEqual([0, 8_000]);
    expect(settled([4000.5, 10.4], plan, near, 5, undefined, false)).toEqual([4001, 10]);
  });
  test.each<[readonly [number, number], PlanPoint]>([
    [
      [6000, 4300],
      [6000, 4000],
    ],
    [
      [4200, 7000],
      [4000, 7000],
    ],
    [
      [6000, 5700],
      [5850, 5850],
    ],
    [
      [2000, 4100],
      [2000, 4000],
    ],
  ])('held straight, from 4000 4000 towards %j', (wanted, point) =>
    expect(settled(wanted, plan, [], 0, [4000, 4000], true)).toEqual(point),
  );
  test('a near corner counts before a straight line', () =>
    expect(settled([3001, 1001], plan, near, 5, [4000, 4000], true)).toEqual([3000, 1000]));
});

test('a tool knows when it has enough', () => {
  const corners: PlanPoint[] = [
    [0, 0],
    [10, 0],
    [10, 10],
  ];
  expect(isEnough('area', corners)).toBe(true);
  expect(
    isEnough('area', [
      [0, 0],
      [10, 0],
      [10, 0],
      [0, 0],
    ]),
  ).toBe(false);
  expect(isEnough('cut', corners.slice(0, 2))).toBe(false);
  expect(isEnough('length', corners.slice(0, 2))).toBe(true);
  expect(
    isEnough('length', [
      [5, 5],
      [5, 5],
    ]),
  ).toBe(false);
  expect(isEnough('count', [[5, 5]])).toBe(true);
  expect(pointsOf('scale')).toBe(2);
  expect(pointsOf('length')).toBeNull();
});

test('a cut-out goes to the area around it: the selected one first, none where there is none', () => {
  const cut: PlanPoint[] = [
    [2000, 2000],
    [2200, 2000],
    [2200, 2200],
  ];
  expect(areaAround(plan, cut, null)?.id).toBe('deck');
  expect(areaAround(plan, cut, 'yard')?.id).toBe('yard');
  expect(areaAround(plan, [...cut, [4000, 4000]], 'deck')?.id).toBe('yard');
  expect(areaAround(plan, [...cut, [7000, 7000]], 'deck')).toBeUndefined();
});

test('first labels are free', () => {
  expect(firstLabel(plan, 'area')).toBe('Area 3');
  expect(firstLabel(plan, 'count')).toBe('Count 2');
  expect(firstLabel(plan, 'length')).toBe('Run 1');
});

test('every tool has a key of its own', () =>
  expect(new Set(tools.map(({ key }) => key)).size).toBe(tools.length));
