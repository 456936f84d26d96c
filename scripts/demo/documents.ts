import { lineFromItem } from '@/core/editing';
import type {
  CompanyMoney,
  CompanyPricing,
  Extra,
  LibraryItem,
  Line,
  LoadSet,
  ProposalDocument,
  Question,
  ScheduleEntry,
  Section,
  UsualTerms,
} from '@/model';

/* The demo's templates and proposals as documents, built from its library. */

const terms = `Work begins within six weeks of signing, weather permitting. The site is left clean every evening.
Changes are agreed in writing before they are made. We guarantee our work for three years.
Not included: painting of existing rooms, moving of buried cables, anything not named above.`;

const closingIn: ScheduleEntry[] = [
  { id: 'deposit', name: 'On signing', kind: 'deposit', share: { percent: '10' }, due: { on: 'acceptance' } },
  {
    id: 'frame',
    name: 'Frame stands',
    kind: 'stage',
    share: { percent: '35' },
    due: { on: 'stage', stage: 'Frame stands' },
  },
  {
    id: 'closed',
    name: 'Roof tight',
    kind: 'stage',
    share: { percent: '35' },
    due: { on: 'stage', stage: 'Roof tight' },
  },
  {
    id: 'final',
    name: 'Final',
    kind: 'final',
    share: { rest: true },
    due: { on: 'stage', stage: 'Completion' },
  },
];

/** How the demo's company usually prices and bills. */
export const usualTerms: UsualTerms = {
  shows: 'sections',
  terms,
  loads: [
    { id: 'overhead', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
    { id: 'profit', name: 'Profit', kind: 'profit', percent: '22', base: 'running' },
  ],
  fees: [{ id: 'permit', name: 'Building permit', amount: { fixed: '385' }, taxClass: 'none' }],
  taxClasses: [
    {
      id: 'standard',
      name: 'Taxed',
      components: [
        { id: 'state', name: 'State sales tax', percent: '5' },
        { id: 'county', name: 'County sales tax', percent: '1.25' },
      ],
    },
    { id: 'none', name: 'Not taxed', components: [] },
  ],
  schedule: closingIn,
};

/** What is done by which stage; all else by completion. */
const phases: Readonly<Record<string, string>> = {
  'Ground and footings': 'Frame stands',
  'Deck and frame': 'Frame stands',
  Ground: 'Frame stands',
  'Getting up there': 'Frame stands',
  Porch: 'Frame stands',
  Roof: 'Roof tight',
  Shell: 'Roof tight',
  Glass: 'Roof tight',
};

/** How the demo's company asks for money: schedules by size of job, and the right to cancel. */
export const demoMoney: CompanyMoney = {
  presets: [
    {
      id: 'small',
      name: 'Small job, half and half',
      upTo: '6000',
      schedule: [
        {
          id: 'half',
          name: 'On signing',
          kind: 'deposit',
          share: { percent: '50' },
          due: { on: 'acceptance' },
        },
        {
          id: 'rest',
          name: 'On completion',
          kind: 'final',
          share: { rest: true },
          due: { on: 'stage', stage: 'Completion' },
        },
      ],
    },
    {
      id: 'large',
      name: 'Large job, a tenth held back',
      schedule: closingIn,
      billing: { retainage: { percent: '10', limit: '5' }, deposit: 'advance' },
    },
  ],
  coolingOff: { holdDeposit: false },
  late: { kind: 'interest', percent: '9', graceDays: 7 },
  reminders: {
    byItself: false,
    steps: [
      {
        id: 'soon',
        days: -3,
        subject: 'Due in a few days',
        words: 'a word ahead, so that it does not slip by.',
      },
      {
        id: 'first',
        days: 7,
        subject: 'Perhaps it slipped by',
        words: 'perhaps this one slipped by. If you have paid meanwhile, thank you, and take no notice.',
      },
      {
        id: 'second',
        days: 21,
        subject: 'Still open',
        words:
          'we have written to you about this before. If something is wrong with the invoice, please ring us.',
      },
    ],
  },
};

const level = (id: string, name: string, overhead: string, profit: string): LoadSet => ({
  id,
  name,
  loads: [
    { id: `${id}-o`, name: 'Overhead', kind: 'overhead', percent: overhead, base: 'direct' },
    { id: `${id}-p`, name: 'Profit', kind: 'profit', percent: profit, base: 'running' },
  ],
});

/** Markup levels by name, and what needs the owner's yes. */
export const demoPricing: CompanyPricing = {
  loadSets: [
    level('repeat', 'Repeat customer', '10', '17'),
    level('small', 'Small job', '14', '28'),
    level('passed', 'Passed on, handling only', '4', '0'),
  ],
  limits: { margin: '18', discount: '5', byTrade: { 'Electric and heat': '15' } },
  commission: { percent: '3', of: 'price', when: 'paid' },
};

export class DocumentBuilder {
  private next = 0;

  constructor(
    private readonly items: ReadonlyMap<string, LibraryItem>,
    private readonly mark: string,
  ) {}

  private id(letter: string): string {
    this.next += 1;
    return `${this.mark}-${letter}${this.next}`;
  }

  /** A line from the library; without a quantity it is left to be looked at. */
  line(code: string, quantity: string | null = null, more: Partial<Line> = {}): Line {
    const item = this.items.get(code);
    if (!item) throw new Error(`The demo library has no ${code}`);
    return { ...lineFromItem(item, this.id('l'), quantity), ...more };
  }

  extra(code: string, quantity: string, extra: Extra, more: Partial<Line> = {}): Line {
    return this.line(code, quantity, { extra, ...more });
  }

  question(
    prompt: string,
    alternatives: readonly { readonly name: string; readonly detail?: string; readonly lines: Line[] }[],
  ): Question {
    const made = alternatives.map((alternative) => ({ id: this.id('a'), ...alternative }));
    return { kind: 'question', id: this.id('q'), prompt, alternatives: made, suggested: made[0]!.id };
  }

  /** An identity of this document. */
  newId = (): string => this.id('n');

  section(title: string, text: string, entries: Section['entries'], internalNote?: string): Section {
    return {
      id: this.id('s'),
      title,
      ...(text ? { text } : {}),
      ...(internalNote ? { internalNote } : {}),
      phase: phases[title] ?? 'Completion',
      entries,
    };
  }

  document(title: string, sections: Section[], more: Partial<ProposalDocument> = {}): ProposalDocument {
    return {
      format: 'impegno-proposal',
      formatVersion: 1,
      title,
      currency: 'USD',
      ...usualTerms,
      sections,
      ...more,
    };
  }
}

/** What differs from job to job, in ft and sq ft; `more` is a plain extra line of the job's own. */
export type Size = { readonly area: string; readonly wall: string; readonly run: string };

/** A screened porch; quantities in full, or (for the template) left to be filled in. */
export function screenedPorch(b: DocumentBuilder, title: string, size: Size | null): ProposalDocument {
  const of = (quantity: string | undefined) => quantity ?? null;
  return b.document(title, [
    b.section('Ground and footings', 'Six round footings below frost, a clean gravel bed under the floor.', [
      b.line('GR-020', '6'),
      b.line('GR-040', of(size?.area)),
      b.extra('GR-050', '140', { in: false }, { detail: 'We take the old deck apart and haul it away.' }),
    ]),
    b.section(
      'Deck and frame',
      'A level floor on treated joists at 16 in, wrapped posts and a stair to the garden.',
      [
        b.line('FR-010', '12'),
        b.line('FR-015', '24'),
        b.line('FR-020', of(size?.run)),
        b.line('FR-025', '14'),
        b.line('FR-030', '6'),
        b.question('Which boards underfoot?', [
          {
            name: 'Pine, treated',
            detail: 'Oil it every second year',
            lines: [b.line('FR-040', size?.area ?? '196')],
          },
          {
            name: 'Thermo-treated ash',
            detail: 'Our suggestion: barefoot smooth',
            lines: [b.line('FR-042', size?.area ?? '196')],
          },
          {
            name: 'Composite, gray',
            detail: 'Nothing to oil',
            lines: [b.line('FR-044', size?.area ?? '196')],
          },
        ]),
        b.line('FR-050', '5'),
        b.extra('EL-025', '2', { in: true, quantity: { minimum: '0', maximum: '6', step: '1' } }),
      ],
      'Ledger: check for rot behind the siding before ordering.',
    ),
    b.section('Roof', 'A gable roof in line with the house, with gutters on both sides.', [
      b.line('RF-010', '14'),
      b.line('RF-015', '16'),
      b.line('RF-020', size ? String(Math.round(Number(size.area) * 1.21)) : null),
      b.line('RF-030', size ? (Number(size.area) / 80).toFixed(1) : '2.4'),
      b.line('RF-040', '18'),
      b.line('RF-045', '30'),
      b.extra('RF-050', '2', { in: false, quantity: { minimum: '1', maximum: '4', step: '1' } }),
    ]),
    b.section('Screens and door', 'Framed panels that come out for washing, and a wood screen door.', [
      b.line('SC-010', of(size?.wall)),
      b.line('SC-020', '1'),
    ]),
    b.section('Light and power', '', [
      b.line('EL-010', '2'),
      b.line('EL-020', '2'),
      b.extra('EL-030', '1', { in: false }),
    ]),
  ]);
}

export function sunroom(b: DocumentBuilder, title: string, size: Size | null): ProposalDocument {
  return b.document(title, [
    b.section('Ground', 'Frost-proof footings and an insulated slab.', [
      b.line('GR-020', '8'),
      b.line('GR-030', size ? '3.6' : null),
      b.line('GR-040', size?.area ?? null),
    ]),
    b.section('Shell', 'Stud knee walls, a laminated ridge, and roofing in standing-seam steel.', [
      b.line('FR-060', size ? '120' : null),
      b.line('FR-070', '32'),
      b.line('RF-015', '18'),
      b.line('RF-010', '16'),
      b.line('RF-032', '3.1'),
      b.extra('RF-052', '1', { in: false, quantity: { minimum: '1', maximum: '3', step: '1' } }),
    ]),
    b.section('Glass', 'Windows on three sides and a sliding door to the garden.', [
      b.question('Which windows?', [
        {
          name: 'Double glazed, sliding',
          detail: 'Three seasons',
          lines: [b.line('SC-032', size?.wall ?? '210')],
        },
        {
          name: 'Triple glazed, sliding',
          detail: 'Warm in winter, quiet',
          lines: [b.line('SC-034', size?.wall ?? '210')],
        },
        {
          name: 'Double glazed, fixed',
          detail: 'The least to look after',
          lines: [b.line('SC-030', size?.wall ?? '210')],
        },
      ]),
      b.line('SC-040', '1'),
      b.extra('SC-050', '6', { in: false, quantity: { minimum: '0', maximum: '10', step: '1' } }),
    ]),
    b.section('Inside', '', [
      b.line('AT-020', '260'),
      b.line('AT-060', '260'),
      b.line('EL-010', '4'),
      b.extra('EL-040', '1', { in: true }),
    ]),
  ]);
}

export function atticRoom(b: DocumentBuilder, title: string, size: Size | null): ProposalDocument {
  return b.document(title, [
    b.section('Getting up there', 'A closed stair in place of the ladder.', [
      b.line('AT-040', '1'),
      b.line('OF-030', '1'),
    ]),
    b.section('Shell', 'Insulated between the rafters, knee walls with doors to the storage behind.', [
      b.line('FR-065', size?.area ?? null),
      b.line('AT-010', size?.wall ?? null),
      b.line('FR-060', '180'),
      b.line('AT-025', '3'),
      b.extra('RF-052', '2', { in: true, quantity: { minimum: '0', maximum: '4', step: '1' } }),
    ]),
    b.section('Lining and floor', '', [
      b.line('AT-020', size?.wall ?? null),
      b.line('AT-060', size?.wall ?? null),
      b.question('Which floor?', [
        { name: 'Carpet', detail: 'Soft and quiet', lines: [b.line('AT-034', size?.area ?? '320')] },
        { name: 'Cork', detail: 'Warm underfoot', lines: [b.line('AT-032', size?.area ?? '320')] },
        {
          name: 'Oak strip',
          detail: 'Sanded and sealed on site',
          lines: [b.line('AT-030', size?.area ?? '320')],
        },
      ]),
      b.extra('AT-050', '2', { in: false, quantity: { minimum: '0', maximum: '6', step: '1' } }),
    ]),
    b.section('Electric', '', [b.line('EL-010', '6'), b.line('EL-020', '4')]),
  ]);
}
