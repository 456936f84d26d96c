import fc from 'fast-check';
import type {
  Bundle,
  Choices,
  Discount,
  ItemPart,
  Line,
  Load,
  PriceBreaks,
  PricedItem,
  ProposalDocument,
  Question,
  Section,
} from '@/model';
import { unitCodes } from '@/model';
import { extrasOf } from '@/core/choice';

// PROPERTY_RUNS=5000 npm run test:unit: a long soak of the laws.
const soak = process.env.PROPERTY_RUNS ? Number(process.env.PROPERTY_RUNS) : null;
if (soak !== null) fc.configureGlobal({ numRuns: soak });

/** How often a law is tried that wants more than the usual hundred. */
export const runs = (usual: number): number => soak ?? usual;

/** A plain line for examples; everything can be overridden. */
export function line(id: string, quantity: string, material: string, more: Partial<Line> = {}): Line {
  return {
    kind: 'line',
    id,
    description: `Line ${id}`,
    unit: 'each',
    quantity,
    costs: [{ type: 'material', amount: material }],
    taxClass: 'taxed',
    ...more,
  };
}

/** A document without loads, discounts or tax around the given sections. */
export function plainDocument(sections: Section[], more: Partial<ProposalDocument> = {}): ProposalDocument {
  return {
    format: 'impegno-proposal',
    formatVersion: 1,
    title: 'Example',
    currency: 'USD',
    shows: 'lines',
    sections,
    loads: [],
    fees: [],
    taxClasses: [{ id: 'taxed', name: 'Taxed', components: [] }],
    schedule: [],
    ...more,
  };
}

const decimal = (least: number, most: number, places: number) =>
  fc.integer({ min: least * 10 ** places, max: most * 10 ** places }).map((n) => {
    const text = String(Math.abs(n)).padStart(places + 1, '0');
    return `${n < 0 ? '-' : ''}${text.slice(0, -places)}.${text.slice(-places)}`;
  });

const percent = (most: number) => decimal(0, most, 2);

const discount: fc.Arbitrary<Discount> = fc.oneof(
  percent(40).map((value) => ({ percent: value })),
  decimal(0, 900, 2).map((value) => ({ amount: value })),
);

const breaksArbitrary: fc.Arbitrary<PriceBreaks> = fc.record({
  costType: fc.constantFrom('material' as const, 'subcontract' as const),
  kind: fc.constantFrom('whole' as const, 'graduated' as const),
  steps: fc.uniqueArray(fc.record({ from: decimal(1, 300, 1), amount: decimal(0, 900, 2) }), {
    minLength: 1,
    maxLength: 3,
    selector: ({ from }) => from,
  }),
});

const loads: fc.Arbitrary<Load[]> = fc
  .tuple(percent(30), percent(40), percent(5), fc.boolean())
  .map(([overhead, profit, bond, some]) => [
    {
      id: 'o',
      name: 'Overhead',
      kind: 'overhead',
      percent: overhead,
      base: 'direct',
      ...(some ? { costTypes: ['labour'] } : {}),
    },
    { id: 'p', name: 'Profit', kind: 'profit', percent: profit, base: 'running' },
    { id: 'b', name: 'Bond', kind: 'bond', percent: bond, base: 'price' },
  ]);

const lineArbitrary = (negative: boolean) =>
  fc.record(
    {
      kind: fc.constant('line' as const),
      id: fc.constant('to be set'),
      description: fc.constantFrom('Joist', 'Screen panel', 'Insulation'),
      internalNote: fc.constantFrom('secret'),
      unit: fc.constantFrom(...unitCodes),
      quantity: negative ? decimal(-3, 400, 3) : decimal(0, 400, 3),
      costs: fc.array(
        fc.oneof(
          fc.record({
            type: fc.constantFrom('material' as const, 'subcontract' as const),
            amount: decimal(0, 900, 2),
          }),
          fc.record({
            type: fc.constant('labour' as const),
            hours: decimal(0, 9, 2),
            rate: decimal(20, 90, 2),
          }),
        ),
        { maxLength: 3 },
      ),
      waste: percent(20),
      pack: decimal(1, 12, 1),
      minimumCharge: decimal(0, 900, 2),
      breaks: breaksArbitrary,
      loads: loads.map((all) => all.slice(0, 2)),
      typedCost: decimal(0, 500, 2),
      heldPrice: decimal(0, 900, 2),
      discount,
      taxClass: fc.constantFrom('taxed', 'half', 'free'),
      extra: fc.record(
        {
          in: fc.boolean(),
          quantity: fc.constant({ minimum: '0', maximum: '6', step: '1' }),
        },
        { requiredKeys: ['in'] },
      ),
    },
    { requiredKeys: ['kind', 'id', 'description', 'unit', 'quantity', 'costs', 'taxClass'] },
  );

/** A bundle as it stands in a section, of parts with plain quantities; everything can be overridden. */
export function bundle(
  id: string,
  items: Readonly<Record<string, PricedItem>>,
  parts: readonly ItemPart[],
  more: Partial<Bundle> = {},
): Bundle {
  return {
    kind: 'bundle',
    id,
    name: `Bundle ${id}`,
    recipe: { inputs: [], grades: [], parts: [...parts] },
    within: {},
    items: { ...items },
    values: {},
    shows: 'one',
    changes: {},
    added: [],
    ...more,
  };
}

/** What of a line makes it an item. */
function itemOf(drawn: Line): PricedItem {
  const { description, unit, costs, taxClass, waste, pack, minimumCharge, breaks, loads: own } = drawn;
  return {
    description,
    unit,
    costs,
    taxClass,
    ...(waste === undefined ? {} : { waste }),
    ...(pack === undefined ? {} : { pack }),
    ...(minimumCharge === undefined ? {} : { minimumCharge }),
    ...(breaks === undefined ? {} : { breaks }),
    ...(own === undefined ? {} : { loads: own }),
  };
}

const bundleArbitrary = fc
  .record(
    {
      lines: fc.array(lineArbitrary(false), { maxLength: 4 }),
      added: fc.array(lineArbitrary(false), { maxLength: 1 }),
      shows: fc.constantFrom('one' as const, 'parts' as const),
      discount,
      extra: fc.record({ in: fc.boolean() }),
    },
    { requiredKeys: ['lines', 'added', 'shows'] },
  )
  .map(({ lines, added, ...more }) =>
    bundle(
      'to be set',
      Object.fromEntries(lines.map((drawn, i) => [`i${i}`, itemOf(drawn as Line)])),
      lines.map(({ quantity }, i) => ({ id: `p${i}`, name: `part${i}`, item: `i${i}`, quantity })),
      { ...(more as Partial<Bundle>), added: (added as Line[]).map(({ extra: _, ...plain }) => plain) },
    ),
  );

const questionArbitrary = fc
  .array(fc.array(lineArbitrary(false), { maxLength: 2 }), { minLength: 1, maxLength: 3 })
  .map((alternatives): Question => ({
    kind: 'question',
    id: 'to be set',
    prompt: 'Which one?',
    suggested: 'to be set',
    alternatives: alternatives.map((lines, i) => ({
      id: 'to be set',
      name: `Way ${i}`,
      lines: lines as Line[],
    })),
  }));

function numbered(sections: readonly Section[]): Section[] {
  let next = 0;
  const id = (letter: string) => `${letter}${(next += 1)}`;
  return sections.map((section) => ({
    ...section,
    id: id('s'),
    entries: section.entries.map((entry) => {
      if (entry.kind === 'line') return { ...entry, id: id('l') };
      if (entry.kind === 'bundle')
        return { ...entry, id: id('b'), added: entry.added.map((added) => ({ ...added, id: id('l') })) };
      const alternatives = entry.alternatives.map((alternative) => ({
        ...alternative,
        id: id('a'),
        lines: alternative.lines.map((inner) => ({ ...inner, id: id('l') })),
      }));
      return { ...entry, id: id('q'), alternatives, suggested: alternatives[0]!.id };
    }),
  }));
}

/** Any proposal: questions, bundles, extras, waste, packs, price breaks, minimum charges, held prices, discounts on every level, fees, three tax classes, any schedule. */
export function anyDocument({ negativeLines = true } = {}): fc.Arbitrary<ProposalDocument> {
  const entry = fc.oneof(
    { weight: 4, arbitrary: lineArbitrary(negativeLines) },
    { weight: 1, arbitrary: questionArbitrary },
    { weight: 1, arbitrary: bundleArbitrary },
  );
  const section = fc.record(
    {
      id: fc.constant('x'),
      title: fc.constantFrom('Roof', 'Frame'),
      discount,
      entries: fc.array(entry, { maxLength: 6 }),
    },
    { requiredKeys: ['id', 'title', 'entries'] },
  );
  return fc
    .record(
      {
        sections: fc.array(section, { minLength: 1, maxLength: 4 }),
        loads,
        discount,
        fixedFee: decimal(0, 500, 2),
        percentFee: percent(10),
        shares: fc.array(percent(30), { maxLength: 4 }),
        shows: fc.constantFrom('total' as const, 'sections' as const, 'lines' as const, 'prices' as const),
      },
      { requiredKeys: ['sections', 'loads', 'shares', 'shows'] },
    )
    .map((drawn) =>
      plainDocument(numbered(drawn.sections as Section[]), {
        loads: drawn.loads,
        shows: drawn.shows,
        ...(drawn.discount ? { discount: drawn.discount as Discount } : {}),
        fees: [
          ...(drawn.fixedFee
            ? [{ id: 'f1', name: 'Permit', amount: { fixed: drawn.fixedFee }, taxClass: 'free' }]
            : []),
          ...(drawn.percentFee
            ? [{ id: 'f2', name: 'Travel', amount: { percent: drawn.percentFee }, taxClass: 'taxed' }]
            : []),
        ],
        taxClasses: [
          {
            id: 'taxed',
            name: 'Taxed',
            components: [
              { id: 'state', name: 'State', percent: '6.25' },
              { id: 'county', name: 'County', percent: '1.375' },
            ],
          },
          { id: 'half', name: 'Reduced', components: [{ id: 'state', name: 'State', percent: '3' }] },
          { id: 'free', name: 'Free', components: [] },
        ],
        schedule: [
          ...drawn.shares.map((share, i) => ({
            id: `e${i}`,
            name: `Payment ${i}`,
            kind: i === 0 ? ('deposit' as const) : ('stage' as const),
            share: { percent: share },
            due: { on: 'acceptance' as const },
          })),
          {
            id: 'rest',
            name: 'Rest',
            kind: 'final',
            share: { rest: true },
            due: { on: 'stage', stage: 'Done' },
          },
        ],
      }),
    );
}

/** Any valid decisions on a document. */
export function anyChoices(document: ProposalDocument): fc.Arbitrary<Choices> {
  const extras = document.sections.flatMap((section) => [...extrasOf(section)]);
  const questions = document.sections
    .flatMap((section) => section.entries)
    .filter((entry) => entry.kind === 'question');
  const bits = fc.array(fc.tuple(fc.boolean(), fc.nat(6), fc.boolean()), {
    minLength: extras.length + questions.length,
    maxLength: extras.length + questions.length,
  });
  return bits.map((drawn) => ({
    extras: Object.fromEntries(
      extras.flatMap((extra, i) => {
        const [taken, quantity, decided] = drawn[i]!;
        if (!decided) return [];
        return [[extra.id, extra.extra.quantity ? { in: taken, quantity: String(quantity) } : { in: taken }]];
      }),
    ),
    questions: Object.fromEntries(
      questions.flatMap((question, i) => {
        const [, pick, decided] = drawn[extras.length + i]!;
        return decided ? [[question.id, question.alternatives[pick % question.alternatives.length]!.id]] : [];
      }),
    ),
  }));
}
