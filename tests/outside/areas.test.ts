/*
 * Traced areas, lengths and outlines that cross themselves, against JSTS, a port of the JTS Topology Suite: an
 * independent library of plane geometry. It computes in doubles, so figures agree to a thousandth.
 */
import fc from 'fast-check';
import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import 'jsts/org/locationtech/jts/monkey.js';
import { addFigure, addTraced } from '@/core/editing';
import { meetsItself, placeIn, readTraced, withoutRepeats } from '@/core/plan';
import type { Plan, PlanFigure, PlanPoint, Traced } from '@/model';

interface Geometry {
  getArea(): number;
  getLength(): number;
  isValid(): boolean;
  contains(other: unknown): boolean;
  intersects(other: unknown): boolean;
}
const factory = new GeometryFactory();
const at = ([x, y]: readonly number[]) => new Coordinate(x!, y!);
const ring = (points: readonly (readonly number[])[]) =>
  factory.createLinearRing([...points, points[0]!].map(at));
const polygon = (outline: readonly (readonly number[])[], cuts: readonly PlanPoint[][] = []) =>
  factory.createPolygon(ring(outline), cuts.map(ring)) as Geometry;
const line = (points: readonly PlanPoint[]) => factory.createLineString(points.map(at)) as Geometry;

/** A scale of `feet` to `drawn` plan units. */
const planOf = (traced: Traced[], drawn: number, feet: string): Plan => ({
  id: 'p',
  name: 'Ground floor',
  file: '018f0000-0000-7000-8000-000000000001',
  width: 200_000,
  height: 200_000,
  scale: { from: [0, 0], to: [drawn, 0], length: { value: feet } },
  traced,
});
const traced = (kind: Traced['kind'], figures: PlanFigure[]): Traced => ({
  id: 't',
  name: 'deck',
  label: 'Deck',
  kind,
  figures,
});
const figuresOf = (kind: Traced['kind'], figures: PlanFigure[], drawn = 1000, feet = '10') => {
  const one = traced(kind, figures);
  return readTraced(one, planOf([one], drawn, feet));
};

/** Corners in order around a middle: never crosses itself, may be far from convex. */
const star = (middle: number, least: number, most: number) =>
  fc.array(fc.integer({ min: least, max: most }), { minLength: 3, maxLength: 40 }).map((radii) =>
    radii.map((radius, i): PlanPoint => {
      const angle = (2 * Math.PI * i) / radii.length;
      return [Math.round(middle + radius * Math.cos(angle)), Math.round(middle + radius * Math.sin(angle))];
    }),
  );
const anywhere = fc
  .tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 }))
  .map(([x, y]): PlanPoint => [x, y]);

describe('traced areas and lengths, against JSTS', () => {
  test('area and edge of outlines with a cut-out, at any scale', () => {
    fc.assert(
      fc.property(
        star(50_000, 20_000, 45_000),
        star(50_000, 500, 9_000),
        fc.integer({ min: 300, max: 90_000 }),
        fc.integer({ min: 1, max: 60 }),
        (outline, cut, drawn, feet) => {
          const { figures, trouble } = figuresOf(
            'area',
            [{ points: outline }, { points: cut, cut: true }],
            drawn,
            String(feet),
          );
          const theirs = polygon(outline, [cut]);
          const perUnit = feet / drawn;
          const expected = theirs.getArea() * perUnit ** 2;
          if (expected > 1_000_000) {
            expect(trouble).toContain('more than a million');
            return;
          }
          expect(trouble).toBeNull();
          expect(Number(figures!.value) / 1e6).toBeCloseTo(expected, 2);
          expect(Number(figures!.edge) / 1e6).toBeCloseTo(theirs.getLength() * perUnit, 2);
        },
      ),
    );
  });

  test('length of runs', () => {
    const run = fc.array(
      fc
        .tuple(fc.integer({ min: 0, max: 90_000 }), fc.integer({ min: 0, max: 90_000 }))
        .map(([x, y]): PlanPoint => [x, y]),
      { minLength: 2, maxLength: 60 },
    );
    fc.assert(
      fc.property(
        fc.array(run, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 500, max: 50_000 }),
        (runs, drawn) => {
          const { figures } = figuresOf(
            'length',
            runs.map((points) => ({ points })),
            drawn,
            '16',
          );
          const expected = runs.reduce((sum, points) => sum + line(points).getLength(), 0) * (16 / drawn);
          expect(Math.abs(Number(figures!.value) / 1e6 - expected)).toBeLessThan(0.0006);
        },
      ),
    );
  });

  // On a small grid most outlines of a few random corners cross or touch themselves, and many do not.
  test('an outline crosses itself exactly where JSTS finds no valid polygon', () => {
    const seen = { crossing: 0, clean: 0 };
    fc.assert(
      fc.property(fc.array(anywhere, { minLength: 3, maxLength: 7 }), (drawn) => {
        const points = withoutRepeats(drawn, true);
        if (points.length < 3) return;
        const ours = meetsItself(points);
        expect(ours).toBe(!polygon(points).isValid());
        seen[ours ? 'crossing' : 'clean'] += 1;
      }),
      { numRuns: 3000 },
    );
    expect(seen.crossing).toBeGreaterThan(200);
    expect(seen.clean).toBeGreaterThan(200);
  });

  test('a point lies in an outline exactly where JSTS says so', () => {
    fc.assert(
      fc.property(star(15, 3, 15), anywhere, (outline, point) => {
        const points = withoutRepeats(outline, true);
        if (points.length < 3 || meetsItself(points)) return;
        const theirs = polygon(points);
        const there = factory.createPoint(at(point));
        expect(placeIn(points, point)).toBe(theirs.contains(there) ? 1 : theirs.intersects(there) ? 0 : -1);
      }),
      { numRuns: 1000 },
    );
  });
});

describe('facts of measuring', () => {
  const square = (left: number, top: number, side: number): PlanPoint[] => [
    [left, top],
    [left + side, top],
    [left + side, top + side],
    [left, top + side],
  ];

  // Quarter-inch scale: a drawn quarter of an inch is a foot. At 96 pixels an inch that is 24 pixels, 240 plan units.
  // Common practice, no source.
  test('a 16 by 12 ft porch drawn at a quarter inch to the foot', () => {
    const porch: PlanPoint[] = [
      [0, 0],
      [3840, 0],
      [3840, 2880],
      [0, 2880],
    ];
    const { figures } = figuresOf('area', [{ points: porch }], 240, '1');
    expect(figures).toEqual({
      value: 192_000_000n,
      edge: 56_000_000n,
      reach: { length: 16_000_000n, width: 12_000_000n },
    });
  });

  // 3-4-5: the carpenter's right angle. Common practice, no source.
  test('the diagonal of 3 by 4 is 5', () =>
    expect(
      figuresOf(
        'length',
        [
          {
            points: [
              [0, 0],
              [300, 400],
            ],
          },
        ],
        100,
        '1',
      ).figures?.value,
    ).toBe(5_000_000n));

  test('the scale may lie at any angle: its length is what was typed between its points', () => {
    const one = traced('area', [{ points: square(0, 0, 500) }]);
    const plan = {
      ...planOf([one], 1, '1'),
      scale: { from: [0, 0], to: [300, 400], length: { value: '5' } },
    };
    expect(readTraced(one, plan).figures?.value).toBe(25_000_000n);
  });

  test.each<[string, PlanFigure[], string]>([
    [
      'two corners',
      [
        {
          points: [
            [0, 0],
            [10, 10],
          ],
        },
      ],
      'at least three corners',
    ],
    [
      'a bow',
      [
        {
          points: [
            [0, 0],
            [10, 10],
            [10, 0],
            [0, 10],
          ],
        },
      ],
      'crosses itself',
    ],
    [
      'a cut outside',
      [{ points: square(0, 0, 100) }, { points: square(90, 90, 30), cut: true }],
      'reaches outside',
    ],
    ['a cut without an outline', [{ points: square(0, 0, 100), cut: true }], 'reaches outside'],
    [
      'cuts over each other',
      [
        { points: square(0, 0, 100) },
        { points: square(10, 10, 30), cut: true },
        { points: square(20, 20, 30), cut: true },
      ],
      'cut-outs of “Deck” overlap',
    ],
    ['an absurd size', [{ points: square(0, 0, 200_000) }], 'more than a million square feet'],
  ])('%s is told in words', (_, figures, words) => {
    const read = figuresOf('area', figures);
    expect(read.trouble).toContain(words);
    expect(read.figures).toBeNull();
  });

  test('outlines side by side add up; where they overlap it is told', () => {
    const beside = figuresOf('area', [{ points: square(0, 0, 100) }, { points: square(100, 0, 100) }]);
    expect(beside).toMatchObject({ doubt: null, figures: { value: 2_000_000n } });
    const over = figuresOf('area', [{ points: square(0, 0, 100) }, { points: square(50, 0, 100) }]);
    expect(over.doubt).toContain('counts twice');
    const twice = figuresOf('area', [{ points: square(0, 0, 100) }, { points: square(0, 0, 100) }]);
    expect(twice.doubt).toContain('counts twice');
  });

  test('without a scale there are counts but no lengths', () => {
    const posts = traced('count', [
      {
        points: [
          [1, 1],
          [2, 2],
          [3, 3],
        ],
      },
    ]);
    const { scale: _, ...plan } = planOf([posts], 1, '1');
    expect(readTraced(posts, plan).figures?.value).toBe(3_000_000n);
    expect(
      readTraced(
        traced('length', [
          {
            points: [
              [0, 0],
              [5, 5],
            ],
          },
        ]),
        plan,
      ).trouble,
    ).toContain('Set the scale of “Ground floor”');
  });
});

test('marks of a count stand together, outlines one by one', () => {
  const document = { plans: [planOf([], 1, '1')], sections: [] } as never;
  addTraced(document, 'p', { id: 'c', kind: 'count', label: 'Posts' }, [{ points: [[1, 1]] }]);
  addFigure(document, 'p', 'c', { points: [[2, 2]] });
  expect((document as { plans: Plan[] }).plans[0]!.traced[0]).toMatchObject({
    name: 'posts',
    figures: [
      {
        points: [
          [1, 1],
          [2, 2],
        ],
      },
    ],
  });
});
