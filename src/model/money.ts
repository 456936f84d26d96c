import Type from 'typebox';
import { BillingTerms } from './billing';
import { ScheduleEntry } from './document';
import type { HandMethod } from './paymentMethods';
import { handMethods } from './paymentMethods';
import { positivePattern } from './patterns';
import { PartId, PercentText, PositiveDecimalText, ShortText } from './scalars';

/* How a company bills and asks for its money. Never part of a document. */

const closed = { additionalProperties: false } as const;

/** A payment schedule by name, for jobs up to a size. */
export const SchedulePreset = Type.Object(
  {
    id: PartId,
    name: ShortText,
    upTo: Type.Optional(
      Type.String({
        ...PositiveDecimalText,
        description: 'Offered first for totals up to this; without it, for any',
      }),
    ),
    schedule: Type.Array(ScheduleEntry, { minItems: 1, maxItems: 60 }),
    billing: Type.Optional(BillingTerms),
  },
  closed,
);
export type SchedulePreset = Type.Static<typeof SchedulePreset>;

/** What it costs a customer to pay late: interest by the day, or a fee once. */
export const LateTerms = Type.Union([
  Type.Object(
    {
      kind: Type.Literal('interest'),
      percent: Type.String({ ...PositiveDecimalText, description: 'A year, of what is open' }),
      graceDays: Type.Integer({ minimum: 0, maximum: 365 }),
    },
    closed,
  ),
  Type.Object(
    {
      kind: Type.Literal('fee'),
      amount: PositiveDecimalText,
      graceDays: Type.Integer({ minimum: 0, maximum: 365 }),
    },
    closed,
  ),
]);
export type LateTerms = Type.Static<typeof LateTerms>;

/** One step of reminding: so many days after an invoice was due (before it, below zero), with our words. */
export const ReminderStep = Type.Object(
  {
    id: PartId,
    days: Type.Integer({ minimum: -60, maximum: 365 }),
    subject: ShortText,
    words: Type.String({ maxLength: 2000 }),
  },
  closed,
);
export type ReminderStep = Type.Static<typeof ReminderStep>;

const Account = Type.String({ minLength: 1, maxLength: 40, pattern: '\\S' });

/** The company's accounts, by what is booked on them. */
export const Accounts = Type.Object(
  {
    receivable: Account,
    /** What is held back, and not asked for yet. */
    retainage: Account,
    /** What was paid ahead of the work. */
    deposits: Account,
    tax: Account,
    /** What was charged for paying late. */
    late: Account,
    income: Type.Object(
      {
        material: Account,
        labour: Account,
        equipment: Account,
        subcontract: Account,
        other: Account,
        /** Work that costs us nothing, or of which it is not known. */
        unknown: Account,
      },
      closed,
    ),
    money: Type.Object({ card: Account, cheque: Account, transfer: Account, cash: Account }, closed),
  },
  closed,
);
export type Accounts = Type.Static<typeof Accounts>;

/** A way of payment as the company calls it. */
const OwnMethodInput = Type.Object(
  {
    id: PartId,
    name: Type.String({ minLength: 1, maxLength: 40 }),
    like: Type.Unsafe<HandMethod>({
      type: 'string',
      enum: [...handMethods],
      description: 'Which of the known ones it is booked and told as',
    }),
  },
  closed,
);

/** A law that limits what a contractor may ask for before work begins. */
export const DepositLaw = Type.Object(
  {
    id: PartId,
    place: ShortText,
    source: Type.String({ minLength: 1, maxLength: 300, description: 'The law, by its usual citation' }),
    share: Type.Union(
      [
        Type.Object({ percent: PercentText }, closed),
        Type.Object(
          {
            of: Type.Integer({ minimum: 1, maximum: 99 }),
            in: Type.Integer({ minimum: 2, maximum: 100 }),
          },
          closed,
        ),
      ],
      { description: 'The part of the price: a percentage, or a fraction such as one third' },
    ),
    most: Type.Optional(Type.String({ pattern: positivePattern, description: 'And never more than this' })),
    orSpecialOrder: Type.Optional(
      Type.Literal(true, { description: 'What must be ordered specially, if that is more' }),
    ),
  },
  closed,
);
export type DepositLaw = Type.Static<typeof DepositLaw>;

export const CompanyMoney = Type.Object(
  {
    methods: Type.Optional(
      Type.Array(OwnMethodInput, {
        minItems: 1,
        maxItems: 20,
        description:
          'The ways money comes and goes by hand, as the company calls them; without it, the usual ones',
      }),
    ),
    presets: Type.Array(SchedulePreset, { maxItems: 30 }),
    deposit: Type.Optional(
      Type.Object(
        { place: PartId, blocks: Type.Boolean() },
        { ...closed, description: 'Whose law limits the deposit, and whether more cannot be sent' },
      ),
    ),
    laws: Type.Optional(
      Type.Array(DepositLaw, {
        maxItems: 60,
        description:
          'Laws on deposits the company added, or corrected: by their key, in place of those shipped',
      }),
    ),
    coolingOff: Type.Optional(
      Type.Object(
        { holdDeposit: Type.Boolean() },
        {
          ...closed,
          description:
            'Customers may cancel until the third business day after signing; whether the deposit is billed only after',
        },
      ),
    ),
    late: Type.Optional(LateTerms),
    accounts: Type.Optional(Accounts),
    letter: Type.Optional(
      Type.String({ maxLength: 2000, description: 'Words a letter with an invoice begins with' }),
    ),
    waiver: Type.Optional(
      Type.String({
        maxLength: 6000,
        description:
          'Text of a waiver that can go with an invoice; {customer} and the like stand for what is known',
      }),
    ),
    reminders: Type.Optional(
      Type.Object(
        {
          steps: Type.Array(ReminderStep, { maxItems: 12 }),
          byItself: Type.Boolean({ description: 'Sent without anybody pressing a button' }),
        },
        closed,
      ),
    ),
  },
  closed,
);
export type CompanyMoney = Type.Static<typeof CompanyMoney>;
