import type { BundleInLibrary, BundleInput, Grade, ItemPart, BundlePart } from '@/model';

/*
 * Bundles to begin with, and the demo's. Items and bundles are named by code here and by id in the library. The arithmetic is
 * the carpenter's own (checked in tests/outside/bundles.test.ts); sizes that a code of practice limits carry that limit.
 */

type Draft = Omit<BundleInLibrary, 'recipe' | 'tags' | 'internalNote' | 'shows'> & {
  readonly tags: string;
  readonly inputs: readonly BundleInput[];
  readonly grades?: readonly Grade[];
  readonly parts: readonly (ItemPart | BundlePart)[];
};

const length = (
  name: string,
  label: string,
  standard: string,
  more: Partial<BundleInput> = {},
): BundleInput => ({
  name,
  label,
  kind: 'length',
  default: standard,
  minimum: '0',
  maximum: '500',
  ...more,
});
const count = (
  name: string,
  label: string,
  standard: string,
  more: Partial<BundleInput> = {},
): BundleInput => ({
  name,
  label,
  kind: 'count',
  default: standard,
  minimum: '0',
  maximum: '200',
  ...more,
});
const yesno = (name: string, label: string, standard: 'yes' | 'no'): BundleInput => ({
  name,
  label,
  kind: 'yesno',
  default: standard,
});
const part = (
  name: string,
  code: string | null,
  quantity: string,
  more: Partial<ItemPart> = {},
): ItemPart => ({
  id: name,
  name,
  item: code,
  quantity,
  ...more,
});
const grade = (id: string, name: string, detail?: string): Grade =>
  detail === undefined ? { id, name } : { id, name, detail };

const spacing = length('spacing', 'On center', '16in', { minimum: '0.5', maximum: '2' });

/** Length along the slope for each foot on the flat, by the rise in twelve: the framing square's table. */
const slopeFactor =
  'if(pitch <= 2, 1.0138, if(pitch <= 3, 1.0308, if(pitch <= 4, 1.0541, if(pitch <= 5, 1.0833, if(pitch <= 6, 1.1180, if(pitch <= 8, 1.2019, if(pitch <= 10, 1.3017, 1.4142)))))))';

const drafts: readonly Draft[] = [
  {
    code: 'B-FOOT',
    name: 'Footings, {count} round',
    detail: '{count} footings of {diameter} across, {depth} deep, below frost, with steel post bases.',
    trade: 'Ground',
    tags: 'concrete pier foundation',
    inputs: [
      count('count', 'How many', '6', { minimum: '1' }),
      length('diameter', 'Across', '12in', { minimum: '0.5', maximum: '4' }),
      length('depth', 'Deep', '42in', {
        minimum: '1',
        maximum: '10',
        help: 'Below the frost line of the place',
      }),
    ],
    grades: [grade('mixed', 'Ready-mixed concrete'), grade('bags', 'Bags mixed on site')],
    parts: [
      part('volume', null, 'count * 3.1416 * diameter * diameter / 4 * depth'),
      part('hole', 'GR-118', 'volume'),
      part('form', 'GR-115', 'count * (depth + 6in)'),
      part('concrete', 'GR-110', 'volume', { grades: { bags: null } }),
      // An 80 lb bag makes 0.6 cubic feet.
      part('bags', null, 'ceil(volume / (0.6 * 1ft * 1ft * 1ft))', {
        grades: { bags: 'GR-112' },
      }),
      part('base', 'GR-120', 'count'),
    ],
  },
  {
    code: 'B-FRAME',
    name: 'Floor frame {along} by {out}',
    detail: 'Treated floor frame, joists {spacing} apart, on {post_count} posts, fixed to the house.',
    trade: 'Frame',
    tags: 'deck porch joists beam',
    inputs: [
      length('along', 'Along the house', '16', { fromSpace: 'length', minimum: '4' }),
      length('out', 'Out from it', '12', { fromSpace: 'width', minimum: '4', maximum: '20' }),
      spacing,
      length('high', 'Height of the posts', '3', { maximum: '14' }),
    ],
    parts: [
      part('post_count', null, 'ceil(along / 8ft) + 1'),
      part('joist_count', null, 'ceil(along / spacing) + 1'),
      part('ledger', 'FR-112', 'along'),
      part('joists', 'FR-110', 'joist_count * out'),
      part('rims', 'FR-110', 'along'),
      part('hangers', 'FR-116', 'joist_count'),
      part('beam', 'FR-118', 'along'),
      part('posts', 'FR-120', 'post_count * high'),
      part('screws', 'FR-134', 'joist_count * 6 + ceil(along / 16in) * 4'),
      {
        id: 'footings',
        name: 'footings',
        bundle: 'B-FOOT',
        values: { count: 'post_count' },
      },
    ],
  },
  {
    code: 'B-FLOOR',
    name: 'Porch floor, {grade}, {area}',
    detail: '{grade} boards laid with a drainage gap and fixed with hidden screws.',
    trade: 'Frame',
    tags: 'deck boards decking',
    inputs: [
      {
        name: 'area',
        label: 'Area',
        kind: 'area',
        default: '192',
        fromSpace: 'floor',
        minimum: '1',
        maximum: '20000',
      },
      length('board', 'Board with its gap', '5 5/8in', { minimum: '0.1', maximum: '2' }),
      spacing,
    ],
    grades: [grade('pine', 'Treated pine'), grade('cedar', 'Cedar'), grade('composite', 'Composite')],
    parts: [
      part('boards', 'FR-140', 'area / board', { grades: { cedar: 'FR-142', composite: 'FR-144' } }),
      // Two screws where a board crosses a joist.
      part('screws', 'FR-134', 'ceil(boards / spacing) * 2'),
      part('stain', 'AT-065', 'area', { grades: { composite: null } }),
    ],
  },
  {
    code: 'B-STAIR',
    name: 'Steps, {risers} risers, {wide} wide',
    detail: 'Steps with {risers} even risers and treads 10 in deep, {grade}.',
    trade: 'Frame',
    tags: 'stair stringer exterior',
    inputs: [
      length('rise', 'Floor above ground', `2' 6"`, { minimum: '0.3', maximum: '14' }),
      length('wide', 'Width', '4', { minimum: '3', maximum: '20' }),
      length('riser', 'Highest riser', '7 3/4in', {
        minimum: '0.33',
        // IRC R311.7.5.1 (from memory): a riser is at most 7 3/4 in.
        maximum: '0.645834',
        help: 'At most 7 3/4 in',
      }),
      // IRC R311.7.5.2 (from memory): a tread is at least 10 in deep.
      length('tread', 'Depth of a tread', '10in', {
        minimum: '0.833333',
        maximum: '2',
        help: 'At least 10 in',
      }),
    ],
    grades: [grade('pine', 'treated pine'), grade('cedar', 'cedar')],
    parts: [
      part('risers', null, 'ceil(rise / riser)'),
      part('treads', 'FR-130', '(risers - 1) * wide * 2', { grades: { cedar: 'FR-132' } }),
      // A stringer runs about 13 in along the slope for each riser, a foot to spare, 16 in apart at most.
      part('stringers', 'FR-114', '(ceil(wide / 16in) + 1) * (risers * 13in + 1ft)'),
      part('board', 'FR-110', 'risers * wide'),
      part('screws', 'FR-134', '(ceil(wide / 16in) + 1) * risers * 6'),
    ],
  },
  {
    code: 'B-GUARD',
    name: 'Guard railing, {run}',
    detail: '{run} of {grade} railing, 36 in high, {balusters} balusters less than 4 in apart.',
    trade: 'Frame',
    tags: 'railing balusters handrail',
    inputs: [
      length('run', 'Run', '24', { help: 'All sides together: 12+16+12' }),
      length('bay', 'Between posts', '6', { minimum: '2', maximum: '8' }),
    ],
    grades: [grade('pine', 'treated pine'), grade('cedar', 'cedar'), grade('metal', 'cedar and metal')],
    parts: [
      part('posts', 'FR-150', 'ceil(run / bay) + 1', { grades: { cedar: 'FR-152', metal: 'FR-152' } }),
      part('rails', 'FR-154', 'run * 3', { grades: { cedar: 'FR-156', metal: 'FR-156' } }),
      // IRC R312.1.3 (from memory): a 4 in ball must not pass. 1 1/2 in and a gap of 3 1/2 in: one each 5 in.
      part('balusters', 'FR-158', 'ceil(run / 5in)', { grades: { metal: 'FR-160' } }),
      part('screws', 'FR-134', 'balusters * 2 + posts * 6'),
    ],
  },
  {
    code: 'B-WALL',
    name: 'Framed wall {run} by {high}',
    detail: 'Outside wall framed and sheathed, with {openings} openings.',
    trade: 'Frame',
    tags: 'studs plates sheathing exterior',
    inputs: [
      length('run', 'Run', '24', { fromSpace: 'perimeter', minimum: '1' }),
      length('high', 'Height', '8', { fromSpace: 'height', minimum: '2', maximum: '20' }),
      spacing,
      count('corners', 'Corners', '2'),
      count('openings', 'Openings', '2'),
      length('opening', 'Width of an opening', '3', { maximum: '20' }),
    ],
    grades: [grade('four', '2×4'), grade('six', '2×6')],
    parts: [
      // Common practice: one each spacing and one to end, one more at a corner, two more at an opening.
      part('studs', 'FR-122', '(ceil(run / spacing) + 1 + corners + 2 * openings) * high', {
        grades: { six: 'FR-124' },
      }),
      part('plates', 'FR-122', 'run * 3', { grades: { six: 'FR-124' } }),
      part('headers', 'FR-126', 'openings * (opening + 6in)', { when: 'openings > 0' }),
      part('sheathing', 'FR-128', 'run * high'),
      part('screws', 'FR-134', 'ceil(run / spacing) * 8'),
    ],
  },
  {
    code: 'B-SHED',
    name: 'Shed roof {along} by {out}',
    detail: 'Roof at a pitch of {pitch} in 12, {grade}, with flashing against the house.',
    trade: 'Roof',
    tags: 'rafters shingles porch lean-to',
    inputs: [
      length('along', 'Along the house', '16', { fromSpace: 'length', minimum: '4' }),
      length('out', 'Out from it', '12', { fromSpace: 'width', minimum: '2', maximum: '24' }),
      length('over', 'Overhang', '12in', { maximum: '4' }),
      count('pitch', 'Rise in 12', '3', { minimum: '2', maximum: '12' }),
      spacing,
    ],
    grades: [grade('shingle', 'shingled'), grade('metal', 'standing seam metal')],
    parts: [
      part('slope', null, slopeFactor),
      part('rafters', 'RF-110', '(ceil(along / spacing) + 1) * (out + over) * slope'),
      part('ties', 'RF-112', 'ceil(along / spacing) + 1'),
      part('sheathing', 'RF-114', '(along + 2 * over) * (out + over) * slope'),
      part('underlayment', 'RF-116', 'sheathing'),
      part('covering', 'RF-118', 'sheathing', { grades: { metal: 'RF-120' } }),
      part('edge', 'RF-122', 'along + 2 * over + 2 * (out + over)'),
      part('flashing', 'RF-124', 'along'),
      part('gutter', 'RF-045', 'along + 2 * over'),
    ],
  },
  {
    code: 'B-SCREEN',
    name: 'Screened walls, {run}',
    detail: '{bays} bays of {grade} mesh in aluminium channel, {high} high.',
    trade: 'Screens and glass',
    tags: 'mesh porch panels insect',
    inputs: [
      length('run', 'Run', '40', { fromSpace: 'perimeter - length', minimum: '2' }),
      length('high', 'Height', '8', { fromSpace: 'height', minimum: '2', maximum: '14' }),
      length('bay', 'Width of a bay', '4', { minimum: '2', maximum: '8' }),
      yesno('door', 'Screen door', 'yes'),
    ],
    grades: [grade('fine', 'fine'), grade('pet', 'pet-proof')],
    parts: [
      part('bays', null, 'ceil(run / bay)'),
      part('mesh', 'SC-110', 'run * high', { grades: { pet: 'SC-112' } }),
      part('channel', 'SC-114', '(bays + 1) * high + 2 * run'),
      part('spline', 'SC-116', 'bays * 2 * (high + bay)'),
      part('door_set', 'SC-020', '1', { when: 'door' }),
    ],
  },
  {
    code: 'B-GLASS',
    name: 'Glazed wall, {panels} panels',
    detail: '{panels} {grade} panels on a composite sill, sealed all round.',
    trade: 'Screens and glass',
    tags: 'sunroom windows glazing',
    inputs: [
      length('run', 'Run', '30', { fromSpace: 'perimeter - length', minimum: '3' }),
      length('panel', 'Panel with its post', '33in', { minimum: '1', maximum: '8' }),
      count('doors', 'Doors', '1'),
    ],
    grades: [grade('double', 'double-glazed'), grade('triple', 'triple-glazed')],
    parts: [
      part('panels', 'WI-110', 'floor((run - doors * 36in) / panel)', { grades: { triple: 'WI-112' } }),
      part('sill', 'WI-114', 'run - doors * 36in'),
      part('seal', 'WI-116', 'panels * 2 * (30in + 72in) + doors * 2 * (36in + 80in)'),
      part('door', 'WI-118', 'doors', { when: 'doors > 0' }),
    ],
  },
  {
    code: 'B-INSUL',
    name: 'Rafters insulated, {area}',
    detail: '{grade} between the rafters with an air channel above and a vapour retarder below.',
    trade: 'Attic and lining',
    tags: 'insulation thermal warm batt',
    inputs: [
      {
        name: 'area',
        label: 'Area',
        kind: 'area',
        default: '400',
        fromSpace: 'floor * 1.2',
        minimum: '1',
        maximum: '20000',
      },
      length('rafter', 'Length of a rafter', '14', { minimum: '2', maximum: '40' }),
      spacing,
    ],
    grades: [grade('thirty', 'R-30 batts'), grade('best', 'R-38 batts'), grade('foam', 'Sprayed foam')],
    parts: [
      part('batts', 'AT-114', 'area', { grades: { best: 'AT-116', foam: 'AT-118' } }),
      part('retarder', 'AT-120', 'area', { grades: { foam: null } }),
      part('vents', 'AT-122', 'ceil(area / rafter / spacing) * ceil(rafter / 4ft)', {
        grades: { foam: null },
      }),
    ],
  },
  {
    code: 'B-LINING',
    name: 'Walls and ceiling lined',
    detail: 'Drywall on {surface}, joints finished smooth, painted in two coats.',
    trade: 'Attic and lining',
    tags: 'drywall paint finish interior',
    inputs: [
      {
        name: 'surface',
        label: 'Surface',
        kind: 'area',
        default: '700',
        fromSpace: 'walls + ceiling',
        minimum: '1',
        maximum: '40000',
      },
      yesno('paint', 'Painted', 'yes'),
      length('trim', 'Base trim', '60', { fromSpace: 'perimeter' }),
    ],
    parts: [
      part('drywall', 'AT-110', 'surface'),
      part('joints', 'AT-112', 'surface'),
      part('coats', 'AT-060', 'surface', { when: 'paint' }),
      part('base', 'AT-070', 'trim', { when: 'trim > 0' }),
    ],
  },
  {
    code: 'B-PORCH',
    name: 'Screened porch {along} by {out}',
    detail:
      'A whole porch, {along} along the house and {out} out: frame on footings, {grade} floor, roof, screens and steps.',
    trade: 'Screens and glass',
    tags: 'complete porch whole',
    inputs: [
      length('along', 'Along the house', '16', { fromSpace: 'length', minimum: '6' }),
      length('out', 'Out from it', '12', { fromSpace: 'width', minimum: '6', maximum: '20' }),
      length('high', 'Inside height', '8', { fromSpace: 'height', minimum: '7', maximum: '12' }),
      length('ground', 'Floor above ground', `2' 6"`, { minimum: '0.5', maximum: '10' }),
    ],
    grades: [grade('pine', 'Treated pine'), grade('cedar', 'Cedar'), grade('composite', 'Composite')],
    parts: [
      {
        id: 'frame',
        name: 'frame',
        bundle: 'B-FRAME',
        values: { along: 'along', out: 'out', high: 'ground' },
      },
      { id: 'boards', name: 'boards', bundle: 'B-FLOOR', values: { area: 'along * out' } },
      { id: 'roof', name: 'roof', bundle: 'B-SHED', values: { along: 'along', out: 'out' } },
      part('corner_posts', 'FR-120', '(ceil((along + 2 * out) / 8ft) + 1) * high'),
      {
        id: 'screens',
        name: 'screens',
        bundle: 'B-SCREEN',
        values: { run: 'along + 2 * out', high: 'high' },
      },
      { id: 'steps', name: 'steps', bundle: 'B-STAIR', values: { rise: 'ground' } },
    ],
  },
];

/**
 * The bundles, with ids for the codes they name. Bundles come after those they hold.
 * @param idOf the id of an item or bundle by its code
 */
export function bundleInputs(): readonly {
  readonly code: string;
  readonly of: (idOf: (code: string) => string) => BundleInLibrary;
}[] {
  return drafts.map(({ inputs, grades, parts, tags, ...head }) => ({
    code: head.code,
    of: (idOf) => ({
      ...head,
      tags: tags.split(' '),
      internalNote: '',
      shows: 'one' as const,
      recipe: {
        inputs: [...inputs],
        grades: [...(grades ?? [])],
        parts: parts.map((each) =>
          'bundle' in each
            ? { ...each, bundle: idOf(each.bundle) }
            : {
                ...each,
                item: each.item === null ? null : idOf(each.item),
                ...(each.grades
                  ? {
                      grades: Object.fromEntries(
                        Object.entries(each.grades).map(([key, code]) => [
                          key,
                          code === null ? null : idOf(code),
                        ]),
                      ),
                    }
                  : {}),
              },
        ),
      },
    }),
  }));
}
