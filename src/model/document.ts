import Type from 'typebox';
import { Allowance } from './allowance';
import { BillingTerms } from './billing';
import { ChangeTerms, Omission, Settles } from './change';
import { PartChange, bundleMakeup } from './bundle';
import { Measure, Room, Space } from './measure';
import { Plan } from './plan';
import { Load, jobFields, pricedFields } from './priced';
import { Rule, LevelChoice } from './levels';

import { datePattern, decimalPattern, idPattern, positivePattern } from './patterns';
import {
  BusinessDate,
  FormulaText,
  Identifier,
  LongText,
  PartId,
  PercentText,
  PositiveDecimalText,
  ShortText,
} from './scalars';

/*
 * The proposal document: what a salesperson works on, as one value. It is an open format (docs/formats/proposal.md);
 * this file is the one source of its TypeScript type, of the JSON Schema that is served, and of the check at every door.
 */

const closed = { additionalProperties: false } as const;
const reason = Type.Optional(
  Type.String({ minLength: 1, maxLength: 200, description: 'Why, as the customer reads it' }),
);

export const Discount = Type.Union([
  Type.Object({ percent: PercentText, reason }, closed),
  Type.Object({ amount: PositiveDecimalText, reason }, closed),
]);
export type Discount = Type.Static<typeof Discount>;

/** The customer can decide until the end of this day. */
const until = Type.Optional(BusinessDate);

export const Extra = Type.Object(
  {
    in: Type.Boolean({ description: 'Taken in unless the customer decides otherwise' }),
    until,
    quantity: Type.Optional(
      Type.Object(
        { minimum: PositiveDecimalText, maximum: PositiveDecimalText, step: PositiveDecimalText },
        { ...closed, description: 'The customer may set the quantity within these limits' },
      ),
    ),
  },
  closed,
);
export type Extra = Type.Static<typeof Extra>;

export const Line = Type.Object(
  {
    kind: Type.Literal('line'),
    id: PartId,
    detail: Type.Optional(Type.String({ maxLength: 2000, description: 'More for the customer to read' })),
    internalNote: Type.Optional(
      Type.String({ maxLength: 2000, description: 'For us only; never reaches the customer' }),
    ),
    crewNote: Type.Optional(
      Type.String({ maxLength: 2000, description: 'For those who do the work; never reaches the customer' }),
    ),
    picture: Type.Optional(
      Type.String({
        format: 'uuid',
        description: 'A picture for the customer, as a kept file, before that of the item',
      }),
    ),
    ...pricedFields,
    fromLibrary: Type.Optional(
      Type.Object(jobFields, {
        ...closed,
        minProperties: 1,
        description:
          'What the item has where this line says otherwise; taking it back puts this in its place',
      }),
    ),
    quantity: Type.String({
      pattern: decimalPattern,
      description: 'With a formula: what it came to when this was written; the formula counts',
    }),
    formula: Type.Optional(FormulaText),
    quantityTyped: Type.Optional(
      Type.String({ maxLength: 200, description: 'The quantity as it was typed: 38+64+22' }),
    ),
    quantityOpen: Type.Optional(Type.Boolean({ description: 'Nobody has confirmed the quantity yet' })),
    expected: Type.Optional(
      Type.String({
        pattern: positivePattern,
        description: 'The quantity we think will be measured in the end, for us only',
      }),
    ),
    typedCost: Type.Optional(
      Type.String({ pattern: decimalPattern, description: 'Unit cost typed over the library cost' }),
    ),
    heldPrice: Type.Optional(
      Type.String({ pattern: decimalPattern, description: 'Unit price typed by hand; no tool moves it' }),
    ),
    shapedPrice: Type.Optional(
      Type.String({
        pattern: positivePattern,
        description: 'Unit price set by shaping to a target; stands until it is shaped again or let go',
      }),
    ),
    pricePlaces: Type.Optional(Type.Integer({ minimum: 2, maximum: 4 })),
    discount: Type.Optional(Discount),
    overtime: Type.Optional(Type.Boolean({ description: 'Labor at the overtime rate' })),
    phase: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    room: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    open: Type.Optional(
      Type.String({ minLength: 1, maxLength: 200, description: 'What is not decided yet, for us only' }),
    ),
    extra: Type.Optional(Extra),
    allowance: Type.Optional(Allowance),
    omits: Type.Optional(Omission),
    settles: Type.Optional(Settles),
  },
  closed,
);
export type Line = Type.Static<typeof Line>;

export const Bundle = Type.Object(
  {
    kind: Type.Literal('bundle'),
    id: PartId,
    bundleId: Type.Optional(
      Type.String({ maxLength: 64, description: 'The library bundle it was taken from' }),
    ),
    edition: Type.Optional(
      Type.Integer({ minimum: 1, description: 'Which edition of the library bundle it is a copy of' }),
    ),
    code: Type.Optional(Type.String({ maxLength: 40 })),
    name: ShortText,
    detail: Type.Optional(
      Type.String({
        maxLength: 2000,
        description: 'For the customer; {run} stands for the value of an input or the quantity of a part',
      }),
    ),
    internalNote: Type.Optional(Type.String({ maxLength: 2000 })),
    ...bundleMakeup,
    values: Type.Record(Identifier, FormulaText, {
      maxProperties: 40,
      description:
        'Inputs as they were typed; what is not here is sized by the section’s space or stands at its default',
    }),
    grade: Type.Optional(PartId),
    shows: Type.Union([Type.Literal('one'), Type.Literal('parts')], {
      description: 'To the customer: one line, or its parts',
    }),
    changes: Type.Record(Type.String({ pattern: '^[A-Za-z0-9_.-]{1,400}$' }), PartChange, {
      maxProperties: 600,
      description: 'What differs on this job, by part; dots lead into nested bundles',
    }),
    added: Type.Array(Line, { maxItems: 100, description: 'Parts of this job only' }),
    discount: Type.Optional(Discount),
    loads: Type.Optional(
      Type.Array(Load, { maxItems: 12, description: 'Markup of its own, instead of the section’s' }),
    ),
    phase: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    room: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    trade: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    open: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
    extra: Type.Optional(Type.Object({ in: Type.Boolean(), until }, closed)),
  },
  closed,
);
export type Bundle = Type.Static<typeof Bundle>;

export const Alternative = Type.Object(
  {
    id: PartId,
    name: ShortText,
    detail: Type.Optional(Type.String({ maxLength: 2000 })),
    picture: Type.Optional(
      Type.String({ format: 'uuid', description: 'A picture of it for the customer, as a kept file' }),
    ),
    lines: Type.Array(Type.Union([Line, Bundle]), { maxItems: 200 }),
  },
  closed,
);
export type Alternative = Type.Static<typeof Alternative>;

export const Question = Type.Object(
  {
    kind: Type.Literal('question'),
    id: PartId,
    prompt: ShortText,
    detail: Type.Optional(Type.String({ maxLength: 2000 })),
    alternatives: Type.Array(Alternative, { minItems: 1, maxItems: 12 }),
    suggested: Type.String({
      pattern: idPattern,
      description: 'The alternative taken unless the customer picks another; “none” where that is allowed',
    }),
    none: Type.Optional(
      Type.Object(
        { name: ShortText },
        { ...closed, description: 'None of them may be picked, under this name' },
      ),
    ),
    recommended: Type.Optional(
      Type.Object(
        { alternative: PartId, reason: Type.Optional(Type.String({ maxLength: 500 })) },
        { ...closed, description: 'The one we advise, and why' },
      ),
    ),
    until,
  },
  closed,
);
export type Question = Type.Static<typeof Question>;

export type SectionEntry = Line | Question | Bundle;

/** A part of the work that is finished, and usually billed, as one. */
export const Stage = Type.Object(
  { name: ShortText, planned: Type.Optional(BusinessDate) },
  {
    ...closed,
    description:
      'A stage (what payments wait for, or a phase of the work), and the day it is planned to be done',
  },
);
export type Stage = Type.Static<typeof Stage>;

export const Section = Type.Object(
  {
    id: PartId,
    title: ShortText,
    text: Type.Optional(LongText),
    internalNote: Type.Optional(Type.String({ maxLength: 2000 })),
    discount: Type.Optional(Discount),
    loads: Type.Optional(
      Type.Array(Load, { maxItems: 12, description: 'Markup of its own, instead of the proposal’s' }),
    ),
    extra: Type.Optional(
      Type.Object(
        { in: Type.Boolean(), until },
        { ...closed, description: 'The whole section may be left out' },
      ),
    ),
    space: Type.Optional(Space),
    phase: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    room: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    entries: Type.Array(Type.Union([Line, Question, Bundle]), { maxItems: 5000 }),
  },
  closed,
);
export type Section = Type.Static<typeof Section>;

export const Fee = Type.Object(
  {
    id: PartId,
    name: ShortText,
    amount: Type.Union([
      Type.Object({ fixed: PositiveDecimalText }, closed),
      Type.Object(
        {
          percent: PercentText,
          most: Type.Optional(
            Type.String({ pattern: positivePattern, description: 'It never comes to more than this' }),
          ),
        },
        { ...closed, description: 'Percent of the discounted subtotal' },
      ),
    ]),
    taxClass: PartId,
  },
  closed,
);
export type Fee = Type.Static<typeof Fee>;

export const TaxClass = Type.Object(
  {
    id: PartId,
    name: ShortText,
    components: Type.Array(
      Type.Object(
        {
          id: PartId,
          name: ShortText,
          percent: PercentText,
          onTop: Type.Optional(
            Type.Boolean({
              description: 'Also on the components before it: a second tax on top of the first',
            }),
          ),
        },
        closed,
      ),
      { maxItems: 6 },
    ),
  },
  closed,
);
export type TaxClass = Type.Static<typeof TaxClass>;

/** How tax is reckoned. Without it: on top of the prices, each component rounded once on the sum of its class. */
export const TaxTerms = Type.Object(
  {
    rounding: Type.Optional(
      Type.Literal('line', {
        description: 'Each component is rounded on every line; without it, once per class',
      }),
    ),
    inside: Type.Optional(Type.Literal(true, { description: 'Prices, discounts and fees include the tax' })),
    shown: Type.Optional(
      Type.Literal('with tax', {
        description:
          'The customer sees prices including tax; without it, before tax, and the tax below. What is paid is the same',
      }),
    ),
    exempt: Type.Optional(
      Type.Object({ reason: ShortText }, { ...closed, description: 'The customer pays no tax, and why' }),
    ),
  },
  closed,
);
export type TaxTerms = Type.Static<typeof TaxTerms>;

export const ScheduleEntry = Type.Object(
  {
    id: PartId,
    name: ShortText,
    kind: Type.Union([Type.Literal('deposit'), Type.Literal('stage'), Type.Literal('final')]),
    share: Type.Union([
      Type.Object({ percent: PercentText }, closed),
      Type.Object({ amount: PositiveDecimalText }, closed),
      Type.Object({ rest: Type.Literal(true) }, closed),
    ]),
    due: Type.Union([
      Type.Object({ on: Type.Literal('acceptance') }, closed),
      Type.Object({ on: Type.Literal('date'), date: BusinessDate }, closed),
      Type.Object({ on: Type.Literal('days'), days: Type.Integer({ minimum: 0, maximum: 3650 }) }, closed),
      Type.Object({ on: Type.Literal('stage'), stage: ShortText }, closed),
    ]),
  },
  closed,
);
export type ScheduleEntry = Type.Static<typeof ScheduleEntry>;

export const Shows = Type.Union(
  [Type.Literal('total'), Type.Literal('sections'), Type.Literal('lines'), Type.Literal('prices')],
  {
    description:
      'How much the customer sees: one price, section prices, line amounts, line amounts with unit prices',
  },
);
export type Shows = Type.Static<typeof Shows>;

/** What work costs at the place of the job, against the library; each 1 where nothing is known of the place. */
export const AreaFactors = Type.Object(
  {
    name: ShortText,
    material: PositiveDecimalText,
    labour: PositiveDecimalText,
    equipment: PositiveDecimalText,
  },
  closed,
);
export type AreaFactors = Type.Static<typeof AreaFactors>;

export const ProposalDocument = Type.Object(
  {
    format: Type.Literal('impegno-proposal'),
    formatVersion: Type.Literal(1),
    reckoning: Type.Optional(
      Type.Literal(2, {
        description:
          'The edition of the rules it is reckoned by; without it the first, in which a line’s own discount also comes off its minimum charge',
      }),
    ),
    title: ShortText,
    currency: Type.String({ pattern: '^[A-Z]{3}$', description: 'ISO 4217' }),
    coverNote: Type.Optional(LongText),
    internalNote: Type.Optional(Type.String({ maxLength: 5000 })),
    terms: Type.Optional(LongText),
    validUntil: Type.Optional(
      Type.String({
        pattern: datePattern,
        format: 'date',
        description: 'Prices hold until the end of this day',
      }),
    ),
    shows: Shows,
    area: Type.Optional(AreaFactors),
    measuring: Type.Optional(
      Type.Literal('metric', {
        description:
          'Lengths and areas are shown in meters; without it in feet. What is kept is in feet either way, but for what a typed text says',
      }),
    ),
    measures: Type.Optional(Type.Array(Measure, { maxItems: 500 })),
    rooms: Type.Optional(
      Type.Array(Room, {
        maxItems: 200,
        description:
          'Sizes of rooms. A line or bundle follows that of the room it names; a section without a space of its own that of the room it names',
      }),
    ),
    plans: Type.Optional(Type.Array(Plan, { maxItems: 40 })),
    sections: Type.Array(Section, { maxItems: 500 }),
    loads: Type.Array(Load, { maxItems: 12 }),
    discount: Type.Optional(Discount),
    fees: Type.Array(Fee, { maxItems: 50 }),
    taxClasses: Type.Array(TaxClass, { minItems: 1, maxItems: 20 }),
    tax: Type.Optional(TaxTerms),
    tiers: Type.Optional(Type.Array(LevelChoice, { maxItems: 8 })),
    rules: Type.Optional(Type.Array(Rule, { maxItems: 200 })),
    schedule: Type.Array(ScheduleEntry, { maxItems: 60 }),
    stages: Type.Optional(Type.Array(Stage, { maxItems: 60 })),
    billing: Type.Optional(BillingTerms),
    change: Type.Optional(ChangeTerms),
  },
  { ...closed, $id: 'urn:impegno:proposal-document:1', title: 'Impegno proposal document' },
);
/** Unit prices of lines by their key, as decimal text. */
export type PricesGiven = Readonly<Record<string, string>>;

/**
 * The proposal document. Where it stands without its costs, it carries the unit prices computed where they are: never stored,
 * never sent out, refused by the schema.
 */
export type ProposalDocument = Type.Static<typeof ProposalDocument> & { readonly pricedAt?: PricesGiven };
