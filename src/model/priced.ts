import Type from 'typebox';
import { positivePattern, percentPattern } from './patterns';
import { CostType, DecimalText, PartId, PercentText, PositiveDecimalText, ShortText, Unit } from './scalars';

/* What makes a price, alike for an item of the library, a line of a proposal and a part of a bundle. */

const closed = { additionalProperties: false } as const;

/** The hours of a crew that a part of a cost was worked out from. */
const CrewHours = Type.Object({ id: PartId, hours: PositiveDecimalText }, closed);

/** A number of units of time at a rate for each. */
const perTime = Type.Union([Type.Literal('hour'), Type.Literal('day')]);

export const CostPart = Type.Union([
  Type.Object(
    {
      type: Type.Literal('labour'),
      hours: PositiveDecimalText,
      rate: PositiveDecimalText,
      overtimeRate: Type.Optional(PositiveDecimalText),
      overtime: Type.Optional(
        Type.Literal(true, { description: 'These hours at the overtime rate, whatever the line says' }),
      ),
      rateId: Type.Optional(PartId),
      crew: Type.Optional(CrewHours),
    },
    { ...closed, description: 'Labour per unit: hours × rate' },
  ),
  Type.Object(
    {
      type: Type.Literal('labour'),
      days: PositiveDecimalText,
      dayRate: PositiveDecimalText,
      dayHours: Type.String({ pattern: positivePattern, description: 'Hours of work in such a day' }),
      rateId: Type.Optional(PartId),
    },
    { ...closed, description: 'Labour per unit by the day: days × day rate' },
  ),
  Type.Object(
    {
      type: Type.Literal('equipment'),
      times: PositiveDecimalText,
      per: perTime,
      rate: PositiveDecimalText,
    },
    { ...closed, description: 'Equipment per unit by the hour or day: times × rate' },
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
      crew: Type.Optional(CrewHours),
    },
    { ...closed, description: 'Cost per unit' },
  ),
]);
export type CostPart = Type.Static<typeof CostPart>;

export const PriceBreaks = Type.Object(
  {
    costType: Type.Union([
      Type.Literal('material'),
      Type.Literal('equipment'),
      Type.Literal('subcontract'),
      Type.Literal('other'),
    ]),
    kind: Type.Union([Type.Literal('whole'), Type.Literal('graduated')], {
      description: 'whole: all of it at the break reached; graduated: each stretch at its own',
    }),
    steps: Type.Array(
      Type.Object(
        { from: PositiveDecimalText, amount: PositiveDecimalText },
        { ...closed, description: 'From this quantity on, the unit cost of the type is this' },
      ),
      { minItems: 1, maxItems: 20 },
    ),
  },
  closed,
);
export type PriceBreaks = Type.Static<typeof PriceBreaks>;

export const Load = Type.Object(
  {
    id: PartId,
    name: ShortText,
    kind: Type.Union([
      Type.Literal('overhead'),
      Type.Literal('profit'),
      Type.Literal('bond'),
      Type.Literal('contingency'),
      Type.Literal('commission'),
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

/** Markup by cost type: percent on direct cost, instead of the loads. */
export const Markups = Type.Object(
  {
    material: Type.Optional(PercentText),
    labour: Type.Optional(PercentText),
    equipment: Type.Optional(PercentText),
    subcontract: Type.Optional(PercentText),
    other: Type.Optional(PercentText),
  },
  { ...closed, minProperties: 1, description: 'Percent on direct cost of a type, instead of the loads' },
);
export type Markups = Type.Static<typeof Markups>;

export const pricedFields = {
  itemId: Type.Optional(Type.String({ maxLength: 64, description: 'The library item it was taken from' })),
  code: Type.Optional(Type.String({ maxLength: 40 })),
  description: ShortText,
  unit: Unit,
  costs: Type.Array(CostPart, { maxItems: 20, description: 'Unit cost by cost type, from the library' }),
  waste: Type.Optional(
    Type.String({
      pattern: percentPattern,
      description: 'Percent of material that is ordered beyond what is measured',
    }),
  ),
  pack: Type.Optional(
    Type.String({
      pattern: positivePattern,
      description: 'Material is ordered in whole packs of this many units',
    }),
  ),
  minimumCharge: Type.Optional(
    Type.String({ pattern: positivePattern, description: 'The least the line comes to for the customer' }),
  ),
  breaks: Type.Optional(PriceBreaks),
  loads: Type.Optional(
    Type.Array(Load, { maxItems: 12, description: 'Markup of its own, instead of the proposal’s' }),
  ),
  markups: Type.Optional(Markups),
  taxClass: PartId,
  costCode: Type.Optional(Type.String({ maxLength: 40 })),
  trade: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
} as const;

/** What of an item may be said otherwise on one job; null: it has none. */
export const jobFields = {
  costs: Type.Optional(Type.Array(CostPart, { maxItems: 20 })),
  loads: Type.Optional(Type.Union([Type.Array(Load, { maxItems: 12 }), Type.Null()])),
  markups: Type.Optional(Type.Union([Markups, Type.Null()])),
  taxClass: Type.Optional(PartId),
  costCode: Type.Optional(Type.Union([Type.String({ maxLength: 40 }), Type.Null()])),
} as const;

/** An item as it is copied into a bundle. */
export const PricedItem = Type.Object(pricedFields, closed);
export type PricedItem = Type.Static<typeof PricedItem>;
