import fc from 'fast-check';
import { readDimension, readSides, setBundleValue } from '../editing';
import { addMeasure, setMeasure } from '../editing/plans';
import { parseFixed } from '../number';
import { computeFigures, perFloorArea } from '../price';
import type { Line, Measuring, Space } from '@/model';
import { bundle, line, plainDocument } from '../../../tests/support/documents';
import { edited } from '../../../tests/support/edits';
import {
  areaShown,
  inMeters,
  lengthShown,
  readSpace,
  spaceInWords,
  typedDimension,
  typedMeasure,
  typedWalk,
  walkInMeters,
} from '.';

test('a room in meters is what it is in meters: 4.5 by 4 m, 2.5 m high', () => {
  const space = readSides('4.5 x 4 x 2.5', 'metric');
  const { figures } = readSpace(space);
  // 4.5 × 4 = 18; 2 × (4.5 + 4) = 17; 17 × 2.5 = 42.5.
  expect(areaShown(figures!.floor, 'metric')).toBe('18 m²');
  expect(lengthShown(figures!.perimeter, 'metric')).toBe('17 m');
  expect(areaShown(figures!.walls!, 'metric')).toBe('42.5 m²');
  expect(spaceInWords(space, 'metric')).toBe('4.5 m by 4 m, 2.5 m high');
  // The same room where feet are read: 18 m² are 193.75 sq ft.
  expect(spaceInWords(space, 'us')).toBe('4.5 m by 4 m, 2.5 m high');
  expect(areaShown(figures!.floor, 'us')).toBe('193.75 sq ft');
  // 1,800.00 are 100.00 per square meter.
  expect(perFloorArea(180_000n as never, figures!.floor, 'metric')).toBe(10_000n);
});

test.each([
  ['4.5', '4.5 m'],
  ['4.50', '4.50 m'],
  ['2.4+1.2', '3.6 m'],
  ['12\' 6"', '12\' 6"'],
  ['3 ft', '3 ft'],
  ['2*(1.2+1)', '4.4 m'],
  ['nonsense', 'nonsense'],
  ['1/', '1/'],
])('a bare %s means meters', (typed, kept) => expect(inMeters(typed, 1)).toBe(kept));

test('a size kept in feet reads in meters, and read back is the size it was', () => {
  const feet = { value: '16' };
  expect(typedDimension(feet, 'metric')).toBe('4.8768 m');
  expect(typedDimension({ value: '12', typed: '8+4' }, 'metric')).toBe('3.6576 m');
  expect(typedDimension({ value: '12', typed: '8+4' }, 'us')).toBe('8+4');
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 10 ** 6 }),
      fc.constantFrom<Measuring>('us', 'metric'),
      fc.constantFrom<Measuring>('us', 'metric'),
      (n, kept, read) => {
        const dimension = readDimension(String(n / 1000), kept);
        const again = readDimension(typedDimension(dimension, read), read);
        expect(Math.abs(Number(again.value) - Number(dimension.value))).toBeLessThan(0.001);
        expect(spaceInWords(roomOf(again), kept).length).toBeGreaterThan(0);
      },
    ),
  );
});
const roomOf = (side: ReturnType<typeof readDimension>): Space => ({
  shape: { kind: 'rectangle', length: side, width: side },
  openings: [],
});

test('an outline in meters: bare sides get their unit, and sides kept in feet say so', () => {
  const walk = walkInMeters('5 r 4 r 5 r 4');
  expect(walk).toBe('5m r 4m r 5m r 4m');
  const shape = { kind: 'outline' as const, walk };
  expect(areaShown(readSpace({ shape, openings: [] }).figures!.floor, 'metric')).toBe('20 m²');
  expect(spaceInWords({ shape, openings: [] }, 'metric')).toBe('sides of 5m, 4m, 5m, 4m');
  const feet = { kind: 'outline' as const, walk: '16 r 10 r 16 r 10' };
  expect(typedWalk(feet, 'metric')).toBe('16ft r 10ft r 16ft r 10ft');
  expect(typedWalk(feet, 'us')).toBe(feet.walk);
  expect(walkInMeters(typedWalk(feet, 'metric'))).toBe('16ft r 10ft r 16ft r 10ft');
});

const metric = {
  ...plainDocument([
    {
      id: 's',
      title: 'Floor',
      entries: [
        line('tiles', '0', '10', { formula: 'fence_run * 2', unit: 'm' as Line['unit'] }),
        bundle('b', {}, [], {
          recipe: {
            inputs: [
              { name: 'run', label: 'Run', kind: 'length', default: '10', maximum: '100' },
              { name: 'area', label: 'Area', kind: 'area', default: '100' },
              { name: 'posts', label: 'Posts', kind: 'count', default: '2' },
            ],
            grades: [],
            parts: [],
          },
          name: 'Fence of {run}, {area}',
        }),
      ],
    },
  ]),
  measuring: 'metric' as const,
};

test('measures, values of bundles and what customers read of them are in meters', () => {
  const sized = edited(metric, (draft) => {
    addMeasure(draft, { id: 'm1', kind: 'length' }, 'fence run', '12.5');
    addMeasure(draft, { id: 'm2', kind: 'area' }, 'lawn', '20');
    addMeasure(draft, { id: 'm3', kind: 'count' }, 'doors', '3');
    setBundleValue(draft, 'b', 'run', '6');
    setBundleValue(draft, 'b', 'posts', '4');
  });
  expect(sized.measures!.map((each) => typedMeasure(each, 'metric'))).toEqual(['12.5 m', '20 m2', '3']);
  expect(sized.measures![1]).toMatchObject({ value: '215.278208', typed: '20 m2' });
  const { sections } = computeFigures(sized);
  // Twice 12.5 m.
  expect(sections[0]!.lines.find(({ line: { id } }) => id === 'tiles')!.quantity).toBe(parseFixed('25'));
  expect(sections[0]!.bundles.get('b')!.sized.name).toBe('Fence of 6 m, 9.29 m²');
  const told = edited(sized, (draft) => setBundleValue(draft, 'b', 'run', '31'));
  expect(computeFigures(told).sections[0]!.bundles.get('b')!.sized.troubles[0]!.message).toBe(
    'At most 30.48 m.',
  );
  expect(sized.sections[0]!.entries[1]).toMatchObject({ values: { run: '6 m', posts: '4' } });
  const { measuring: _, ...us } = sized;
  expect(computeFigures(us).sections[0]!.bundles.get('b')!.sized.name).toBe('Fence of 19.685 ft, 100 sq ft');
  expect(computeFigures(us).total).toBe(computeFigures(sized).total);
  expect(() => edited(sized, (draft) => setMeasure(draft, 'm1', '3 m2'))).toThrow('an area');
});
