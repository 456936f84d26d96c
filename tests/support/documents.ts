import fc from 'fast-check';
import type {
  Bundle,
  Picked,
  Rule,
  TaxTerms,
  LevelChoice,
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
import { brokenRules, menuOf } from '@/core/choice';

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
          fc.record({
            type: fc.constant('labour' as const),
            hours: decimal(0, 9, 2),
            rate: fc.constant('46'),
            overtimeRate: fc.constant('69'),
            overtime: fc.constant(true as const),
          }),
          fc.record({
            type: fc.constant('labour' as const),
            days: decimal(0, 3, 2),
            dayRate: decimal(200, 700, 2),
            dayHours: fc.constantFrom('7', '8', '9.5'),
          }),
          fc.record({
            type: fc.constant('equipment' as const),
            times: decimal(0, 9, 2),
            per: fc.constantFrom('hour' as const, 'day' as const),
            rate: decimal(0, 300, 2),
          }),
        ),
        { maxLength: 3 },
      ),
      waste: percent(20),
      pack: decimal(1, 12, 1),
      minimumCharge: decimal(0, 900, 2),
      breaks: breaksArbitrary,
      loads: loads.map((all) => all.slice(0, 2)),
      markups: fc.record({ subcontract: percent(60), equipment: percent(60) }),
      overtime: fc.boolean(),
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

/** Money set aside under any rule; what a line carries besides is of no use to it. */
const allowanceArbitrary = fc
  .tuple(
    lineArbitrary(false),
    fc.record({
      rule: fc.constantFrom(
        'at our price' as const,
        'at cost, fee fixed' as const,
        'at cost, fee on the excess' as const,
      ),
      amount: decimal(0, 900, 2),
      fee: percent(60),
      shows: fc.constantFrom('price' as const, 'spend' as const),
      rounds: fc.constant([]),
    }),
  )
  .map(([{ discount: _, extra, ...drawn }, allowance]) => ({
    ...drawn,
    ...(extra ? { extra: { in: extra.in } } : {}),
    allowance,
  }));

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
export function itemOf(drawn: Line): PricedItem {
  const {
    description,
    unit,
    costs,
    taxClass,
    waste,
    pack,
    minimumCharge,
    breaks,
    loads: own,
    markups,
  } = drawn;
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
    ...(markups === undefined ? {} : { markups }),
  };
}

const bundleArbitrary = fc
  .record(
    {
      lines: fc.array(lineArbitrary(false), { maxLength: 4 }),
      added: fc.array(lineArbitrary(false), { maxLength: 1 }),
      shows: fc.constantFrom('one' as const, 'parts' as const),
      discount,
      loads: loads.map((all) => all.slice(0, 2)),
      extra: fc.record({ in: fc.boolean() }),
      graded: fc.boolean(),
    },
    { requiredKeys: ['lines', 'added', 'shows', 'graded'] },
  )
  .map(({ lines, added, graded, ...more }) => {
    const made = bundle(
      'to be set',
      Object.fromEntries(lines.map((drawn, i) => [`i${i}`, itemOf(drawn as Line)])),
      lines.map(({ quantity }, i) => ({
        id: `p${i}`,
        name: `part${i}`,
        item: `i${i}`,
        quantity,
        // The better grade drops the first part and makes the last one that of the first.
        ...(graded && i === 0 ? { grades: { better: null } } : {}),
        ...(graded && i === 2 ? { grades: { better: 'i0' } } : {}),
      })),
      { ...(more as Partial<Bundle>), added: (added as Line[]).map(({ extra: _, ...plain }) => plain) },
    );
    const grades = ['plain', 'better'].map((id) => ({ id, name: `Grade ${id}` }));
    return graded ? { ...made, grade: 'plain', recipe: { ...made.recipe, grades } } : made;
  });

const questionArbitrary = fc
  .tuple(
    fc.array(
      fc.array(
        fc.oneof({ weight: 3, arbitrary: lineArbitrary(false) }, { weight: 1, arbitrary: bundleArbitrary }),
        { maxLength: 2 },
      ),
      { minLength: 1, maxLength: 3 },
    ),
    fc.constantFrom('all', 'none', 'none suggested'),
  )
  .map(([alternatives, none]): Question => ({
    kind: 'question',
    id: 'to be set',
    prompt: 'Which one?',
    suggested: none === 'none suggested' ? 'none' : 'to be set',
    ...(none === 'all' ? {} : { none: { name: 'None of them' } }),
    alternatives: alternatives.map((lines, i) => ({
      id: 'to be set',
      name: `Way ${i}`,
      lines: lines as (Line | Bundle)[],
    })),
  }));

function numbered(sections: readonly Section[]): Section[] {
  let next = 0;
  const id = (letter: string) => `${letter}${(next += 1)}`;
  const named = (part: Line | Bundle): Line | Bundle =>
    part.kind === 'line'
      ? { ...part, id: id('l') }
      : { ...part, id: id('b'), added: part.added.map((added) => ({ ...added, id: id('l') })) };
  return sections.map((section) => ({
    ...section,
    id: id('s'),
    entries: section.entries.map((entry) => {
      if (entry.kind !== 'question') return named(entry);
      const alternatives = entry.alternatives.map((alternative) => ({
        ...alternative,
        id: id('a'),
        lines: alternative.lines.map(named),
      }));
      return {
        ...entry,
        id: id('q'),
        alternatives,
        suggested: entry.suggested === 'none' ? 'none' : alternatives[0]!.id,
      };
    }),
  }));
}

/** Levels that leave out and grade what the seed says. */
function levelsOver(sections: readonly Section[], seeds: readonly number[], ofSection: boolean): LevelChoice {
  const within = ofSection ? [sections[seeds[0]! % sections.length]!] : sections;
  const entries = within.flatMap((section) => section.entries);
  const inner = entries.flatMap((entry) =>
    entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [],
  );
  const parts = [...entries, ...inner];
  const ids = [...parts.map(({ id }) => id), ...(ofSection ? [] : within.map(({ id }) => id))];
  const graded = parts.filter((part): part is Bundle => part.kind === 'bundle' && part.grade !== undefined);
  const level = (n: number) => ({
    id: `v${n}`,
    name: `Level ${n}`,
    without: ids.filter((_, i) => (seeds[n + 1]! >> (i % 20)) % 5 === 1),
    grades: Object.fromEntries(
      graded.flatMap(({ id }, i) => {
        const pick = (seeds[n + 1]! >> (i % 16)) % 3;
        return pick === 0 ? [] : [[id, pick === 1 ? 'plain' : 'better']];
      }),
    ),
  });
  return {
    id: ofSection ? 'tiersS' : 'tiersW',
    prompt: 'Which level?',
    ...(ofSection ? { section: within[0]!.id } : {}),
    levels: [level(0), level(1), ...(seeds[0]! % 2 ? [level(2)] : [])],
    suggested: 'v1',
  };
}

/** Everything a customer could take. */
function picksOf(document: ProposalDocument): Picked[] {
  const { extras, questions, tiers } = menuOf(document);
  return [
    ...extras.map(({ id }) => ({ extra: id })),
    ...questions.flatMap(({ id, answers }) =>
      answers.map((answer) => ({ question: id, alternative: answer.id })),
    ),
    ...tiers.flatMap(({ id, levels }) => levels.map((level) => ({ tiers: id, level: level.id }))),
  ];
}

function rulesOver(document: ProposalDocument, seeds: readonly number[]): Rule[] {
  const picks = picksOf(document);
  if (picks.length < 2) return [];
  return seeds.map((seed, i) => ({
    id: `r${i}`,
    when: picks[seed % picks.length]!,
    says: seed % 3 === 0 ? 'needs' : 'rules out',
    other: picks[(seed >> 8) % picks.length]!,
  }));
}

const taxTerms: fc.Arbitrary<TaxTerms> = fc.record(
  {
    rounding: fc.constant('line' as const),
    inside: fc.constant(true as const),
    shown: fc.constant('with tax' as const),
    exempt: fc.constant({ reason: 'Public school' }),
  },
  { requiredKeys: [] },
);

/**
 * Any proposal: questions (none of them, too), bundles with grades, extras of every kind, levels of the whole and of a
 * section, waste, packs, price breaks, minimum charges, held prices, loads and discounts on every level, fees, three tax
 * classes with every way to reckon tax, any schedule. Rules between choices only on request: they make choices impossible.
 */
export function anyDocument({
  negativeLines = true,
  rules = false,
  most = 6,
} = {}): fc.Arbitrary<ProposalDocument> {
  const entry = fc.oneof(
    { weight: 8, arbitrary: lineArbitrary(negativeLines) },
    { weight: 1, arbitrary: allowanceArbitrary },
    { weight: 2, arbitrary: questionArbitrary },
    { weight: 2, arbitrary: bundleArbitrary },
  );
  const section = fc.record(
    {
      id: fc.constant('x'),
      title: fc.constantFrom('Roof', 'Frame'),
      discount,
      loads: loads.map((all) => all.slice(0, 2)),
      extra: fc.record({ in: fc.boolean() }),
      entries: fc.array(entry, { maxLength: most }),
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
        feeLimit: decimal(0, 900, 2),
        shares: fc.array(percent(30), { maxLength: 4 }),
        shows: fc.constantFrom('total' as const, 'sections' as const, 'lines' as const, 'prices' as const),
        tax: taxTerms,
        onTop: fc.constant(true),
        reckoning: fc.constant(2 as const),
        seeds: fc.array(fc.nat(2 ** 28), { minLength: 8, maxLength: 8 }),
        tiers: fc.constantFrom('whole', 'section', 'both'),
      },
      { requiredKeys: ['sections', 'loads', 'shares', 'shows', 'seeds'] },
    )
    .map((drawn) => {
      const sections = numbered(drawn.sections as Section[]);
      const document = plainDocument(sections, {
        loads: drawn.loads,
        ...(drawn.reckoning ? { reckoning: drawn.reckoning } : {}),
        ...(drawn.tax ? { tax: drawn.tax as TaxTerms } : {}),
        ...(drawn.tiers
          ? {
              tiers: [
                ...(drawn.tiers === 'whole' ? [] : [levelsOver(sections, drawn.seeds.slice(4), true)]),
                ...(drawn.tiers === 'section' ? [] : [levelsOver(sections, drawn.seeds, false)]),
              ],
            }
          : {}),
        shows: drawn.shows,
        ...(drawn.discount ? { discount: drawn.discount as Discount } : {}),
        fees: [
          ...(drawn.fixedFee
            ? [{ id: 'f1', name: 'Permit', amount: { fixed: drawn.fixedFee }, taxClass: 'free' }]
            : []),
          ...(drawn.percentFee
            ? [
                {
                  id: 'f2',
                  name: 'Travel',
                  amount: {
                    percent: drawn.percentFee,
                    ...(drawn.feeLimit ? { most: drawn.feeLimit } : {}),
                  },
                  taxClass: 'taxed',
                },
              ]
            : []),
        ],
        taxClasses: [
          {
            id: 'taxed',
            name: 'Taxed',
            components: [
              { id: 'state', name: 'State', percent: '6.25' },
              {
                id: 'county',
                name: 'County',
                percent: '1.375',
                ...(drawn.onTop ? { onTop: true as const } : {}),
              },
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
      });
      return rules ? { ...document, rules: rulesOver(document, drawn.seeds.slice(0, 3)) } : document;
    });
}

/** Any decisions on a document that are on offer and break no rule. */
export function anyChoices(document: ProposalDocument): fc.Arbitrary<Choices> {
  const menu = menuOf(document);
  const { extras, questions, tiers } = menu;
  const count = extras.length + questions.length + tiers.length;
  const bits = fc.array(fc.tuple(fc.boolean(), fc.nat(6), fc.boolean()), {
    minLength: count,
    maxLength: count,
  });
  return bits
    .map((drawn): Choices => {
      const answer = (at: number, all: readonly { readonly id: string }[]) => {
        const [, pick, decided] = drawn[at]!;
        return decided ? [all[pick % all.length]!.id] : [];
      };
      return {
        extras: Object.fromEntries(
          extras.flatMap(({ id, extra }, i) => {
            const [taken, quantity, decided] = drawn[i]!;
            if (!decided) return [];
            return [[id, extra.quantity ? { in: taken, quantity: String(quantity) } : { in: taken }]];
          }),
        ),
        questions: Object.fromEntries(
          questions.flatMap(({ id, answers }, i) => answer(extras.length + i, answers).map((to) => [id, to])),
        ),
        tiers: Object.fromEntries(
          tiers.flatMap(({ id, levels }, i) =>
            answer(extras.length + questions.length + i, levels).map((to) => [id, to]),
          ),
        ),
      };
    })
    .filter((choices) => brokenRules(menu, choices).length === 0);
}
