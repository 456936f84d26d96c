import Type from 'typebox';
import { percentPattern, positivePattern } from './patterns';
import { BusinessDate, PartId, PositiveDecimalText, ShortText } from './scalars';

/*
 * Money set aside for something that is not chosen yet, and the rounds in which the customer chooses against it.
 */

const closed = { additionalProperties: false } as const;

const Detail = Type.Optional(Type.String({ maxLength: 2000, description: 'More for the customer to read' }));

/** How the difference between what was set aside and what was chosen is settled. */
export const AllowanceRule = Type.Union([
  Type.Literal('at our price'),
  Type.Literal('at cost, fee fixed'),
  Type.Literal('at cost, fee on the excess'),
]);
export type AllowanceRule = Type.Static<typeof AllowanceRule>;

/** For all of the allowance’s quantity, or by its unit: by the square foot, each. */
const Per = Type.Union([Type.Literal('unit'), Type.Literal('whole')]);

const offered = {
  id: PartId,
  name: ShortText,
  detail: Detail,
  picture: Type.Optional(Type.String({ format: 'uuid', description: 'A picture of it, as a kept file' })),
  price: Type.String({
    pattern: positivePattern,
    description: 'In the measure of the rule: selling price at our price, cost at cost',
  }),
} as const;

export const SelectionAlternative = Type.Object({ ...offered, per: Per }, closed);
export type SelectionAlternative = Type.Static<typeof SelectionAlternative>;

export const SelectionExtra = Type.Object(
  {
    ...offered,
    per: Per,
    in: Type.Boolean({ description: 'Taken in unless the customer decides otherwise' }),
    quantity: Type.Optional(
      Type.Object(
        { minimum: PositiveDecimalText, maximum: PositiveDecimalText, step: PositiveDecimalText },
        { ...closed, description: 'The customer sets how many; the price is for one' },
      ),
    ),
  },
  closed,
);
export type SelectionExtra = Type.Static<typeof SelectionExtra>;

export const SelectionQuestion = Type.Object(
  {
    id: PartId,
    prompt: ShortText,
    detail: Detail,
    alternatives: Type.Array(SelectionAlternative, { minItems: 1, maxItems: 24 }),
    suggested: PartId,
    none: Type.Optional(
      Type.Object({ name: ShortText }, { ...closed, description: 'None of them may be picked' }),
    ),
  },
  closed,
);
export type SelectionQuestion = Type.Static<typeof SelectionQuestion>;

export const SelectionRound = Type.Object(
  {
    id: PartId,
    name: ShortText,
    detail: Detail,
    due: Type.Optional(BusinessDate),
    questions: Type.Array(SelectionQuestion, { maxItems: 30 }),
    extras: Type.Array(SelectionExtra, { maxItems: 60 }),
  },
  { ...closed, title: 'Selection round' },
);
export type SelectionRound = Type.Static<typeof SelectionRound>;

export const Allowance = Type.Object(
  {
    rule: AllowanceRule,
    amount: Type.String({
      pattern: positivePattern,
      description: 'What the customer may spend for one unit of the line, in the measure of the rule',
    }),
    fee: Type.String({
      pattern: percentPattern,
      description: 'Our fee as a margin: percent of the price, below 100',
    }),
    feeOnRest: Type.Optional(
      Type.Literal(true, { description: 'Fee on the excess: a rest gives its fee back too' }),
    ),
    shows: Type.Union([Type.Literal('price'), Type.Literal('spend')], {
      description: 'To the customer: one price with the fee in it, or the amount to spend and the fee apart',
    }),
    rounds: Type.Array(SelectionRound, { maxItems: 20 }),
  },
  closed,
);
export type Allowance = Type.Static<typeof Allowance>;
