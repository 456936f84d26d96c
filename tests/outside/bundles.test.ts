/*
 * The demo's bundles against rules of the carpenter's trade. Common practice, no source, unless a line names one.
 * Lengths, volumes and the rest of the arithmetic here are worked by hand or on plain numbers, apart from our own code.
 */
import { bundleInputs } from '@/services/library/starting/bundles';
import { itemInputs } from '@/services/library/starting/items';
import { stockInputs } from '@/services/library/starting/stock';
import { sizeMakeup, tryBundle } from '@/core/bundle';
import { pricedItem } from '@/core/editing';
import { ordered } from '@/core/price';
import { parseFixed, writeFixed } from '@/core/number';
import { recipeProblems } from '@/core/offer';
import { surroundingsOf } from '@/core/space';
import type { BundleMakeup, PricedItem, Recipe } from '@/model';

const items: Record<string, PricedItem> = Object.fromEntries(
  [...itemInputs, ...stockInputs].map((item) => [item.code, pricedItem({ ...item, id: item.code })]),
);
const bundles = new Map(bundleInputs().map(({ code, of }) => [code, of((wanted) => wanted)]));
const within = Object.fromEntries(
  [...bundles].map(([code, { name, recipe }]) => [code, { name, recipe: recipe as Recipe }]),
);
const makeup = (code: string): BundleMakeup => ({ recipe: bundles.get(code)!.recipe, within, items });

/** Quantities by part name. */
function sized(code: string, values: Record<string, string>, grade?: string): Record<string, string> {
  const bundle = bundles.get(code)!;
  const answer = sizeMakeup(
    {
      ...makeup(code),
      name: bundle.name,
      detail: bundle.detail,
      values,
      changes: {},
      added: [],
      ...(grade === undefined ? {} : { grade }),
    },
    surroundingsOf(undefined),
    '',
  );
  expect(answer.troubles).toEqual([]);
  return Object.fromEntries(
    answer.parts.flatMap(({ path, line, absent }) => (line && !absent ? [[path, line.quantity]] : [])),
  );
}
const near = (text: string | undefined, value: number) => expect(Number(text)).toBeCloseTo(value, 2);

test('twelve bundles, each whole and working with its defaults in a room', () => {
  expect(bundles.size).toBe(12);
  for (const [code, { name, detail, recipe }] of bundles) {
    expect([code, recipeProblems(recipe, items)]).toEqual([code, []]);
    expect([code, tryBundle(makeup(code), { name, detail }).troubles]).toEqual([code, []]);
    expect([code, tryBundle(makeup(code), { name, detail }, undefined).troubles]).toEqual([code, []]);
  }
});

describe('floor frame', () => {
  // Members at a spacing: one each spacing and one to end. 16 ft at 16 in on centre: 13 joists.
  test.each([
    ['16', '16in', 13],
    ['16', '12in', 17],
    ['20', '24in', 11],
    [`10' 8"`, '16in', 9],
    ['16.1', '16in', 14],
  ])('joists along %s at %s: %i', (along, spacing, joists) => {
    const frame = sized('B-FRAME', { along, out: '12', spacing });
    expect(frame.hangers).toBe(String(joists));
    near(frame.joists, joists * 12);
  });

  test('posts each 8 ft and one to end, a footing under each', () => {
    const frame = sized('B-FRAME', { along: '16', out: '12', high: '3' });
    near(frame.posts, 3 * 3);
    // Three round footings of 12 in, 42 in deep: 3 × π/4 × 3.5 cu ft, 27 cu ft to the cubic yard.
    near(frame['footings.concrete'], (3 * (Math.PI / 4) * 3.5) / 27);
  });
});

test('concrete in bags: an 80 lb bag makes 0.6 cubic feet', () => {
  const volume = 6 * (Math.PI / 4) * 3.5;
  const bags = sized('B-FOOT', { count: '6' }, 'bags');
  expect(bags.bags).toBe(String(Math.ceil(volume / 0.6)));
  expect(bags.concrete).toBeUndefined();
});

describe('steps', () => {
  // IRC R311.7.5.1 and R311.7.5.2 (from memory): risers at most 7 3/4 in, treads at least 10 in.
  test.each([`2' 6"`, '31in', '8ft', `9' 0 1/4"`, '7 3/4in'])('risers of %s are within the limit', (rise) => {
    const bundle = bundles.get('B-STAIR')!;
    const { parts, inputs } = sizeMakeup(
      {
        ...makeup('B-STAIR'),
        name: bundle.name,
        detail: bundle.detail,
        values: { rise },
        changes: {},
        added: [],
      },
      surroundingsOf(undefined),
      '',
    );
    const value = parts.find(({ name }) => name === 'risers')!.value;
    const risers = value?.kind === 'number' ? Number(value.ratio.top) / Number(value.ratio.bottom) : 0;
    const total = inputs[0]!.value;
    const feet = total?.kind === 'number' ? Number(total.ratio.top) / Number(total.ratio.bottom) : 0;
    expect((feet * 12) / risers).toBeLessThanOrEqual(7.75);
    expect((feet * 12) / (risers - 1 || 0.5)).toBeGreaterThan(7.75);
  });

  test('a higher riser or a shallower tread is refused', () => {
    const tried = (values: Record<string, string>) =>
      tryBundle(makeup('B-STAIR'), { name: 'Steps', detail: '', values }).troubles[0]?.message;
    expect(tried({ riser: '8in' })).toMatch(/^At most/);
    expect(tried({ tread: '9 1/2in' })).toMatch(/^At least/);
    expect(tried({ riser: '7 3/4in', tread: '10in' })).toBeUndefined();
  });

  // One tread less than risers; stringers 16 in apart at most: 4 ft have four.
  test('four risers, three treads of two boards, four stringers', () => {
    const steps = sized('B-STAIR', { rise: '30in', wide: '4' });
    near(steps.treads, 3 * 4 * 2);
    near(steps.stringers, 4 * ((4 * 13) / 12 + 1));
  });
});

// IRC R312.1.3 (from memory): a sphere of 4 in must not pass between the balusters.
test.each(['24', '17.5', '6', '101'])('railing of %s ft: gaps below 4 in', (run) => {
  const railing = sized('B-GUARD', { run });
  const balusters = Number(railing.balusters);
  const clear = (Number(run) * 12 - balusters * 1.5) / balusters;
  expect(clear).toBeLessThan(4);
  // Posts each 6 ft and one to end.
  expect(railing.posts).toBe(String(Math.ceil(Number(run) / 6) + 1));
});

// Studs at 16 in: three to four feet of wall, one more at each corner, two at each opening; three plates.
test('a framed wall of 24 ft by 8: 19 studs and 2 and 4 more', () => {
  const wall = sized('B-WALL', { run: '24', high: '8', corners: '2', openings: '2' });
  near(wall.studs, (19 + 2 + 4) * 8);
  near(wall.plates, 72);
  // 4 by 8 ft panels: 192 sq ft are six, with 8 % to waste seven.
  const sheathing = items['FR-128']!;
  expect(writeFixed(ordered(parseFixed(wall.sheathing!), sheathing))).toBe(String(7 * 32));
});

describe('roof', () => {
  // The framing square's table of common rafters, length for a foot of run: 3 in 12 is 12.37 in, 4 is 12.65, 6 is 13.42,
  // 8 is 14.42, 12 is 16.97 (from memory; √(rise² + 12²)).
  test.each([
    ['3', 12.37],
    ['4', 12.65],
    ['5', 13],
    ['6', 13.42],
    ['8', 14.42],
    ['12', 16.97],
  ])('rafters at %s in 12 are %f in to the foot', (pitch, inches) => {
    const roof = sized('B-SHED', { along: '16', out: '12', over: '0', pitch });
    expect(Number(roof.rafters)).toBeCloseTo((13 * 12 * inches) / 12, 0);
    expect(inches).toBeCloseTo(Math.hypot(Number(pitch), 12), 2);
  });

  test('the covering is measured in squares of 100 sq ft', () => {
    const roof = sized('B-SHED', { along: '16', out: '12', over: '1', pitch: '3' });
    near(roof.covering, (18 * 13 * 1.0308) / 100);
  });
});

test('screens: mesh of the whole, channel round every bay', () => {
  const screens = sized('B-SCREEN', { run: '40', high: '8', bay: '4' });
  near(screens.mesh, 320);
  near(screens.channel, 11 * 8 + 80);
  near(screens.spline, 10 * 24);
});

// A 5 1/2 in board with an eighth of an inch between: 2.13 ft of board to the square foot.
test('floor boards by area, two screws where a board crosses a joist', () => {
  const floor = sized('B-FLOOR', { area: '192' });
  near(floor.boards, (192 * 12) / 5.625);
  expect(floor.screws).toBe(String(Math.ceil(Number(floor.boards) / (16 / 12)) * 2));
});

// Batts come by the bag, drywall by the sheet of 32 sq ft: what is ordered is whole bags and sheets.
test('insulation and drywall in whole packs', () => {
  expect(writeFixed(ordered(parseFixed(sized('B-INSUL', { area: '480' }).batts!), items['AT-114']!))).toBe(
    '522',
  );
  expect(
    writeFixed(ordered(parseFixed(sized('B-LINING', { surface: '700' }).drywall!), items['AT-110']!)),
  ).toBe('800');
});

test('a whole porch is the sum of the bundles in it', () => {
  const porch = sized('B-PORCH', { along: '16', out: '12', ground: '30in' });
  const frame = sized('B-FRAME', { along: '16', out: '12', high: '30in' });
  for (const [path, quantity] of Object.entries(frame))
    expect([path, porch[`frame.${path}`]]).toEqual([path, quantity]);
  near(porch['screens.mesh'], 40 * 8);
  expect(porch['steps.treads']).toBe(sized('B-STAIR', { rise: '30in' }).treads);
});
