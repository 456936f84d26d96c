import fc from 'fast-check';
import type { Space } from '@/model';
import { measuresOf } from '../plan';
import { plainDocument } from '../../../tests/support/documents';
import { parseFixed, writeFixed } from '../number';
import { computeFigures } from '../price';
import { outlineFigures, readSpace, readWalk, spaceInWords, surroundingsOf } from '.';

const room = (length: string, width: string, height?: string, openings: Space['openings'] = []): Space => ({
  shape: { kind: 'rectangle', length: { value: length }, width: { value: width } },
  ...(height === undefined ? {} : { height: { value: height } }),
  openings,
});
const door = { id: 'd', name: 'Door', width: { value: '3' }, height: { value: '7' }, count: 2 };
const figuresOf = (space: Space) =>
  Object.fromEntries(
    Object.entries(readSpace(space).figures ?? {}).map(([name, value]) => [name, value && writeFixed(value)]),
  );

describe('spaces', () => {
  test('openings are taken off the walls and nothing else', () =>
    expect(figuresOf(room('15', '16', '9', [door]))).toMatchObject({
      floor: '240',
      perimeter: '62',
      walls: '516',
      openings: '42',
    }));

  test('the floors of all sections that have a space sum up; without any there is none', () => {
    const of = (...spaces: (Space | undefined)[]) =>
      computeFigures(
        plainDocument(
          spaces.map((space, i) => ({ id: `s${i}`, title: 'S', entries: [], ...(space ? { space } : {}) })),
        ),
      ).floor;
    expect(of(room('15', '16'), undefined, room('3', '4'))).toBe(parseFixed('252'));
    expect(of(undefined)).toBeNull();
  });

  test('without a height there are no walls, and a formula that wants them says so', () => {
    const space = room('15', '16');
    expect(readSpace(space).figures?.walls).toBeNull();
    expect(surroundingsOf(space).scope('walls')).toEqual({
      trouble: '“walls” needs the section’s height.',
    });
    expect(surroundingsOf(undefined).scope('floor')).toMatchObject({
      trouble: expect.stringContaining('dimensions'),
    });
    expect(surroundingsOf(space).scope('rafters')).toBeUndefined();
  });

  test.each<[Space, string]>([
    [room('3', '3', '8', [{ ...door, count: 9 }]), 'The openings are larger than the walls.'],
    [room('5000', '5000'), 'This is more than a million square feet. Check the sizes.'],
    [{ shape: { kind: 'outline', walk: '10 r 5 r 3' }, openings: [] }, 'does not come back'],
    [{ shape: { kind: 'outline', walk: '10 r 10 r 5 r 20' }, openings: [] }, 'does not come back'],
    [{ shape: { kind: 'outline', walk: '10 r 10 r 5 r 5 r 20 l 4' }, openings: [] }, 'does not come back'],
    [{ shape: { kind: 'outline', walk: '10 r 10 r 5 r 20 l 5 l 10' }, openings: [] }, 'crosses itself'],
    [{ shape: { kind: 'outline', walk: '10 r' }, openings: [] }, 'at least four sides'],
    [{ shape: { kind: 'outline', walk: '10 r ten' }, openings: [] }, 'cannot be read'],
  ])('what is wrong is said: %j', (space, words) => expect(readSpace(space).trouble).toContain(words));

  test('an L-shaped room, typed as a walk in feet and inches', () => {
    const walk = `16' r 10' 6" r 6ft l 5 r 10 r 15.5`;
    expect(figuresOf({ shape: { kind: 'outline', walk }, openings: [] })).toMatchObject({
      floor: '218',
      perimeter: '63',
      length: '16',
      width: '15.5',
    });
    // The last side may be left out.
    expect(readWalk(walk.replace(' r 15.5', ''))).toEqual(readWalk(walk));
  });

  // A staircase of any steps: its area summed step by step, its perimeter that of the rectangle around it.
  test('any stepped outline has the area of its strips and the perimeter of its box', () => {
    const steps = fc.array(fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 })), {
      minLength: 2,
      maxLength: 12,
    });
    fc.assert(
      fc.property(steps, (drawn) => {
        const across = drawn.reduce((sum, [x]) => sum + x, 0);
        const down = drawn.reduce((sum, [, y]) => sum + y, 0);
        const walk = [
          ...drawn.map(([x, y], i) => `${x} r ${y} ${i < drawn.length - 1 ? 'l' : 'r'}`),
          `${across} r ${down}`,
        ].join(' ');
        let left = 0;
        let area = 0;
        for (const [x, y] of drawn) {
          left += x;
          area += left * y;
        }
        const figures = outlineFigures(readWalk(walk));
        expect(figures.area).toEqual({ top: BigInt(area), bottom: 1n });
        expect(figures.perimeter).toEqual({ top: BigInt(2 * (across + down)), bottom: 1n });
      }),
    );
  });

  test('measures stand beside the space and are seen in every section', () => {
    const measures = measuresOf({ measures: [{ id: 'm', name: 'fence', kind: 'length', value: '84.5' }] });
    expect(surroundingsOf(undefined, measures).scope('fence')).toMatchObject({ kind: 'number', exponent: 1 });
    expect(surroundingsOf(room('2', '3'), measures).scope('fence')).toMatchObject({ exponent: 1 });
    expect(parseFixed('84.5')).toBe(84_500_000n);
  });
});

test.each([
  [room('15', '16', '9', [door]), '15 ft by 16 ft, 9 ft high, 2 openings'],
  [room('12.5', '8'), '12.5 ft by 8 ft'],
  [
    {
      shape: {
        kind: 'rectangle',
        length: { value: '12.5', typed: `12' 6"` },
        width: { value: '10', typed: '4+6' },
      },
      openings: [{ ...door, count: 1 }],
    },
    `12' 6" by 10 ft, 1 opening`,
  ],
  [
    { shape: { kind: 'outline', walk: '16 r 10 R 6 l 5 r 10 r 15' }, openings: [] },
    'sides of 16, 10, 6, 5, 10, 15 ft',
  ],
  [
    { shape: { kind: 'traced', measure: 'porch' }, height: { value: '8' }, openings: [] },
    '“porch” on the plan, 8 ft high',
  ],
] as [Space, string][])('a space in words', (space, words) => expect(spaceInWords(space, 'us')).toBe(words));
