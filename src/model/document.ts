import Type from 'typebox';
import {
  BusinessDate,
  CostType,
  DecimalText,
  LongText,
  PartId,
  PercentText,
  PositiveDecimalText,
  ShortText,
  datePattern,
  decimalPattern,
  idPattern,
} from './scalars';
import type { UnitCode } from './units';
import { unitCodes } from './units';

/*
 * The proposal document: what a salesperson works on, as one value. It is an open format (docs/formats/proposal.md);
 * this file is the one source of its TypeScript type, of the JSON Schema that is served, and of the check at every door.
 */

const closed = { additionalProperties: false } as const;

export const CostPart = Type.Union([
  Type.Object(
    { type: Type.Literal('labour'), hours: PositiveDecimalText, rate: PositiveDecimalText },
    { ...closed, description: 'Labour per unit: hours × rate' },
  ),
  Type.Object(
    {
      type: Type.Union([
        Type.Literal('material'),
        Type.Literal('equipment'),
        Type.Literal('subcontract'),
        Type.Literal('other'),
      ]),
      amount: DecimalText,
    },
    { ...closed, description: 'Cost per unit' },
  ),
]);
export type CostPart = Type.Static<typeof CostPart>;

export const Discount = Type.Union([
  Type.Object({ percent: PercentText }, closed),
  Type.Object({ amount: PositiveDecimalText }, closed),
]);
export type Discount = Type.Static<typeof Discount>;

export const Extra = Type.Object(
  {
    in: Type.Boolean({ description: 'Taken in unless the customer decides otherwise' }),
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
    itemId: Type.Optional(Type.String({ maxLength: 64, description: 'The library item it was taken from' })),
    code: Type.Optional(Type.String({ maxLength: 40 })),
    description: ShortText,
    detail: Type.Optional(Type.String({ maxLength: 2000, description: 'More for the customer to read' })),
    internalNote: Type.Optional(
      Type.String({ maxLength: 2000, description: 'For us only; never reaches the customer' }),
    ),
    unit: Type.Unsafe<UnitCode>({ type: 'string', enum: [...unitCodes] }),
    quantity: DecimalText,
    quantityTyped: Type.Optional(
      Type.String({ maxLength: 200, description: 'The quantity as it was typed: 38+64+22' }),
    ),
    quantityOpen: Type.Optional(Type.Boolean({ description: 'Nobody has looked at the quantity yet' })),
    costs: Type.Array(CostPart, { maxItems: 20, description: 'Unit cost by cost type, from the library' }),
    typedCost: Type.Optional(
      Type.String({ pattern: decimalPattern, description: 'Unit cost typed over the library cost' }),
    ),
    heldPrice: Type.Optional(
      Type.String({ pattern: decimalPattern, description: 'Unit price typed by hand; no tool moves it' }),
    ),
    pricePlaces: Type.Optional(Type.Integer({ minimum: 2, maximum: 4 })),
    discount: Type.Optional(Discount),
    taxClass: PartId,
    costCode: Type.Optional(Type.String({ maxLength: 40 })),
    extra: Type.Optional(Extra),
  },
  closed,
);
export type Line = Type.Static<typeof Line>;

export const Alternative = Type.Object(
  {
    id: PartId,
    name: ShortText,
    detail: Type.Optional(Type.String({ maxLength: 2000 })),
    lines: Type.Array(Line, { maxItems: 200 }),
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
      description: 'The alternative taken unless the customer picks another',
    }),
  },
  closed,
);
export type Question = Type.Static<typeof Question>;

export type SectionEntry = Line | Question;

export const Section = Type.Object(
  {
    id: PartId,
    title: ShortText,
    text: Type.Optional(LongText),
    internalNote: Type.Optional(Type.String({ maxLength: 2000 })),
    discount: Type.Optional(Discount),
    entries: Type.Array(Type.Union([Line, Question]), { maxItems: 5000 }),
  },
  closed,
);
export type Section = Type.Static<typeof Section>;

export const Load = Type.Object(
  {
    id: PartId,
    name: ShortText,
    kind: Type.Union([
      Type.Literal('overhead'),
      Type.Literal('profit'),
      Type.Literal('bond'),
      Type.Literal('contingency'),
    ]),
    percent: PercentText,
    base: Type.Union([Type.Literal('direct'), Type.Literal('running'), Type.Literal('price')], {
      description: 'direct cost, running amount, or price (divide by 1 − rate)',
    }),
    costTypes: Type.Optional(Type.Array(CostType, { minItems: 1, description: 'Only on these cost types' })),
  },
  closed,
);
export type Load = Type.Static<typeof Load>;

export const Fee = Type.Object(
  {
    id: PartId,
    name: ShortText,
    amount: Type.Union([
      Type.Object({ fixed: PositiveDecimalText }, closed),
      Type.Object(
        { percent: PercentText },
        { ...closed, description: 'Per cent of the discounted subtotal' },
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
    components: Type.Array(Type.Object({ id: PartId, name: ShortText, percent: PercentText }, closed), {
      maxItems: 6,
    }),
  },
  closed,
);
export type TaxClass = Type.Static<typeof TaxClass>;

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

export const ProposalDocument = Type.Object(
  {
    format: Type.Literal('impegno-proposal'),
    formatVersion: Type.Literal(1),
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
    sections: Type.Array(Section, { maxItems: 500 }),
    loads: Type.Array(Load, { maxItems: 12 }),
    discount: Type.Optional(Discount),
    fees: Type.Array(Fee, { maxItems: 50 }),
    taxClasses: Type.Array(TaxClass, { minItems: 1, maxItems: 20 }),
    schedule: Type.Array(ScheduleEntry, { maxItems: 60 }),
  },
  { ...closed, $id: 'urn:impegno:proposal-document:1', title: 'Impegno proposal document' },
);
export type ProposalDocument = Type.Static<typeof ProposalDocument>;
