import Type from 'typebox';
import { BillingAsk, CreditAsk, InvoiceShows } from './billing';
import { EmailAddresses, EntityId, IdempotencyKey, Needed, Text } from './inputParts';
import { BusinessDate, CostType, PositiveDecimalText } from './scalars';

const closed = { additionalProperties: false } as const;

const looks = {
  title: Type.Optional(Text(200)),
  shows: Type.Optional(InvoiceShows),
  remark: Type.Optional(Text(2000)),
};

/** Statements of account of several customers over some days, each sent to who gets their invoices. */
export const StatementsInput = Type.Object(
  {
    customerIds: Type.Array(EntityId, { minItems: 1, maxItems: 10, uniqueItems: true }),
    from: BusinessDate,
    to: BusinessDate,
    words: Text(2000),
  },
  closed,
);
export type StatementsInput = Type.Static<typeof StatementsInput>;

/** What goes with an invoice: papers of it, and photos of the stages of its agreement. */
export const AttachInput = Type.Object(
  {
    invoice: Type.Optional(Type.Boolean()),
    statement: Type.Optional(Type.Boolean()),
    waiver: Type.Optional(Type.Boolean()),
    photos: Type.Optional(Type.Array(EntityId, { maxItems: 20, uniqueItems: true })),
  },
  closed,
);
export type AttachInput = Type.Static<typeof AttachInput>;

/** A letter with an invoice: to whom, our own words before all else, and what goes with it. */
const LetterInput = Type.Object(
  { to: EmailAddresses, words: Text(2000), attach: Type.Optional(AttachInput) },
  closed,
);

/** An issued invoice sent: as usual, or as it is said. */
export const MailInput = Type.Object({ invoiceId: EntityId, send: Type.Optional(LetterInput) }, closed);
export type MailInput = Type.Static<typeof MailInput>;

export const IssueInput = Type.Object(
  {
    agreementId: EntityId,
    what: BillingAsk,
    ...looks,
    /** How many papers the agreement had when the person looked; left out, it is not looked at. */
    seen: Type.Optional(Type.Integer({ minimum: 0 })),
    /** The day it is due; as usual where it is left out. */
    dueOn: Type.Optional(BusinessDate),
    /** Written to the customer as it is issued. */
    send: Type.Optional(LetterInput),
  },
  closed,
);
export type IssueInput = Type.Static<typeof IssueInput>;

/** Invoices on several agreements, each as it was looked at. */
export const IssueManyInput = Type.Object(
  {
    bills: Type.Array(
      Type.Object(
        {
          agreementId: EntityId,
          what: BillingAsk,
          seen: Type.Integer({ minimum: 0 }),
          send: Type.Optional(Type.Object({ to: EmailAddresses, words: Text(2000) }, closed)),
        },
        closed,
      ),
      { minItems: 1, maxItems: 100 },
    ),
  },
  closed,
);
export type IssueManyInput = Type.Static<typeof IssueManyInput>;

export const DraftInput = Type.Object(
  { agreementId: EntityId, what: BillingAsk, title: Text(200), shows: InvoiceShows, remark: Text(2000) },
  closed,
);
export type DraftInput = Type.Static<typeof DraftInput>;

/** A layout of invoices that is kept under a name, for all agreements or for this one. */
export const KeepLayoutInput = Type.Object(
  {
    agreementId: EntityId,
    name: Needed(60),
    forAll: Type.Boolean(),
    /** Invoices begin with it from now on; only one for all can. */
    usual: Type.Boolean(),
    shows: InvoiceShows,
  },
  closed,
);
export const LayoutInput = Type.Object({ id: EntityId }, closed);
export const UsualLayoutInput = Type.Object({ id: Type.Union([EntityId, Type.Null()]) }, closed);

export const CreditInput = Type.Object(
  {
    invoiceId: EntityId,
    what: CreditAsk,
    remark: Text(2000),
    seen: Type.Optional(Type.Integer({ minimum: 0 })),
  },
  closed,
);
export type CreditInput = Type.Static<typeof CreditInput>;

/** What a job cost us. Hours and rate make the amount; without them it is given. */
export const CostInput = Type.Object(
  {
    agreementId: EntityId,
    what: Needed(200),
    costType: CostType,
    spentOn: BusinessDate,
    amount: Type.Optional(PositiveDecimalText),
    hours: Type.Optional(PositiveDecimalText),
    rate: Type.Optional(PositiveDecimalText),
    lineId: Type.Optional(Type.String({ minLength: 1, maxLength: 200 })),
    stage: Type.Optional(Needed(200)),
    costCode: Type.Optional(Needed(40)),
    supplier: Text(200),
    invoiceId: Type.Optional(EntityId),
    idempotencyKey: IdempotencyKey,
  },
  closed,
);
export type CostInput = Type.Static<typeof CostInput>;
