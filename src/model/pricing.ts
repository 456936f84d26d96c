import Type from 'typebox';
import { EntityId } from './inputParts';
import { Load } from './priced';
import { PartId, PercentText, ShortText } from './scalars';

/* How a company prices: markup levels by name, and what nobody sells without the owner's yes. Never part of a document. */

const closed = { additionalProperties: false } as const;

export const LoadSet = Type.Object(
  { id: PartId, name: ShortText, loads: Type.Array(Load, { maxItems: 12 }) },
  { ...closed, description: 'A markup level by name: loads in their order' },
);
export type LoadSet = Type.Static<typeof LoadSet>;

export const PriceLimits = Type.Object(
  {
    margin: Type.Optional(
      Type.String({
        pattern: '^\\d{1,2}(\\.\\d{1,2})?$',
        description: 'The least margin, in percent of the price',
      }),
    ),
    byTrade: Type.Optional(
      Type.Record(ShortText, PercentText, { maxProperties: 60, description: 'The least margin of a trade' }),
    ),
    discount: Type.Optional(
      Type.String({
        pattern: '^\\d{1,3}(\\.\\d{1,2})?$',
        description: 'The most a seller may take off by themselves, in percent of the prices',
      }),
    ),
  },
  closed,
);
export type PriceLimits = Type.Static<typeof PriceLimits>;

export const CommissionTerms = Type.Object(
  {
    percent: PercentText,
    of: Type.Union([Type.Literal('price'), Type.Literal('margin')], {
      description: 'Of the contract sum before tax, or of what it will leave over its cost',
    }),
    when: Type.Union([Type.Literal('signed'), Type.Literal('paid')], {
      description: 'Earned at once when it is signed, or in step with what the customer paid',
    }),
    bySeller: Type.Optional(
      Type.Record(EntityId, PercentText, {
        maxProperties: 500,
        description: 'Who has another percentage, by their identity',
      }),
    ),
  },
  { ...closed, description: 'What a seller gets of what they sold' },
);
export type CommissionTerms = Type.Static<typeof CommissionTerms>;

export const CompanyPricing = Type.Object(
  {
    loadSets: Type.Array(LoadSet, { maxItems: 30 }),
    limits: PriceLimits,
    commission: Type.Optional(CommissionTerms),
  },
  closed,
);
export type CompanyPricing = Type.Static<typeof CompanyPricing>;
