import Type from 'typebox';
import { AgreedLineId } from './change';
import { DecimalText, PartId, PercentText, PositiveDecimalText, ShortText } from './scalars';

/*
 * How an agreement is billed: the terms that are signed with the proposal, and what is asked of one invoice or credit note.
 */

const closed = { additionalProperties: false } as const;

export const RetainageTerms = Type.Object(
  {
    percent: PercentText,
    limit: Type.Optional(
      Type.String({
        ...PercentText,
        description: 'Percent of the sum to date: never more than this is held',
      }),
    ),
  },
  {
    ...closed,
    description: 'What is held back of every invoice for work, including tax, until it is released',
  },
);
export type RetainageTerms = Type.Static<typeof RetainageTerms>;

export const BillingTerms = Type.Object(
  {
    retainage: Type.Optional(RetainageTerms),
    deposit: Type.Optional(
      Type.Literal('advance', {
        description:
          'The deposit is money paid ahead: billed by itself, then counted off every invoice in proportion. Without it, the deposit bills the first part of the work',
      }),
    ),
    specialOrder: Type.Optional(
      Type.String({
        ...PositiveDecimalText,
        description:
          'What must be ordered specially before work begins; where the law lets a deposit be as much',
      }),
    ),
  },
  { ...closed, description: 'How the agreement is billed' },
);
export type BillingTerms = Type.Static<typeof BillingTerms>;

const to = {
  percent: Type.Object({ percent: PercentText }, { ...closed, description: 'Billed up to this percent' }),
  quantity: Type.Object(
    { quantity: DecimalText },
    { ...closed, description: 'Billed up to this quantity of what was agreed' },
  ),
  amount: Type.Object({ amount: DecimalText }, { ...closed, description: 'So much net on this invoice' }),
};

/** How far one line, or all lines of a section or a stage, are billed. */
export const LineAsk = Type.Union([
  Type.Object({ line: AgreedLineId, to: Type.Union([to.percent, to.quantity, to.amount]) }, closed),
  Type.Object({ section: ShortText, to: to.percent }, closed),
  Type.Object({ stage: ShortText, to: to.percent }, closed),
]);
export type LineAsk = Type.Static<typeof LineAsk>;

/** What an invoice bills. */
export const BillingAsk = Type.Union([
  Type.Object({ entryId: PartId }, { ...closed, description: 'A payment of the schedule' }),
  Type.Object(
    { lines: Type.Array(LineAsk, { minItems: 1, maxItems: 5000 }) },
    { ...closed, description: 'Lines, sections or stages' },
  ),
  Type.Object({ amount: PositiveDecimalText }, { ...closed, description: 'An amount, including tax' }),
  Type.Object({ rest: Type.Literal(true) }, { ...closed, description: 'Remaining balance' }),
  Type.Object(
    { release: Type.Union([Type.Literal('all'), PositiveDecimalText]) },
    { ...closed, description: 'Retainage that is held, all of it or an amount' },
  ),
]);
export type BillingAsk = Type.Static<typeof BillingAsk>;

/** What a credit note takes back of an invoice. */
export const CreditAsk = Type.Union([
  Type.Object({ whole: Type.Literal(true) }, { ...closed, description: 'All that is not taken back yet' }),
  Type.Object(
    { amount: PositiveDecimalText },
    { ...closed, description: 'Work for this amount, including tax' },
  ),
  Type.Object(
    {
      lines: Type.Array(Type.Object({ line: AgreedLineId, amount: DecimalText }, closed), {
        minItems: 1,
        maxItems: 5000,
      }),
    },
    { ...closed, description: 'So much net of each line' },
  ),
]);
export type CreditAsk = Type.Static<typeof CreditAsk>;

/** A line or a bundle of an agreement, as rows of a paper are named by it. */
const RowId = Type.String({ pattern: '^[A-Za-z0-9_.-]{1,140}$' });

/** The layout of an invoice: how much of the agreement it shows, and how; never our cost. */
export const InvoiceShows = Type.Object(
  {
    /** Lines of which nothing is billed on it: left out, or shown with nothing. */
    unbilled: Type.Enum(['hidden', 'zero']),
    /** Bundles: as they were offered, each as one line, or all their parts. */
    bundles: Type.Enum(['agreed', 'one', 'parts']),
    /** How the rows are gathered, by section where it is left out; none: the summary stands for them. */
    rows: Type.Optional(Type.Enum(['section', 'stage', 'none'])),
    /** All work of the agreement summed up before the rows, by section, stage or kind of work; left out: it is not. */
    summary: Type.Optional(Type.Enum(['section', 'stage', 'kind'])),
    /** The codes that stand with a row; left out: none. */
    codes: Type.Optional(Type.Enum(['cost', 'item', 'both'])),
    /** Each row says its percent to date and its balance. */
    balance: Type.Optional(Type.Boolean()),
    /** Single lines or bundles, otherwise than `unbilled` has it while nothing is billed of them. */
    each: Type.Optional(Type.Record(RowId, Type.Enum(['hidden', 'zero']), { maxProperties: 1000 })),
    /** Single bundles, otherwise than `bundles` has it. */
    eachBundle: Type.Optional(Type.Record(RowId, Type.Enum(['one', 'parts']), { maxProperties: 1000 })),
  },
  closed,
);
export type InvoiceShows = Type.Static<typeof InvoiceShows>;
