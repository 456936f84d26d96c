import Type from 'typebox';
import { BillingAsk, CreditAsk, InvoiceShows } from './billing';
import { Choices } from './choices';
import type { HandMethod as Hand } from './paymentMethods';
import { handMethods } from './paymentMethods';
import { BusinessDate, CostType, PositiveDecimalText } from './scalars';

/* What people send to the acts, checked at every door. */

const closed = { additionalProperties: false } as const;
const Text = (most: number) => Type.String({ maxLength: most });
const Needed = (most: number) => Type.String({ minLength: 1, maxLength: most, pattern: '\\S' });

export const EntityId = Type.String({ format: 'uuid' });

/** Whether a part of an address can be an identity; anything else is not found, not an error of the database. */
export const isId = (text: unknown): text is string =>
  typeof text === 'string' && /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i.test(text);

export const EmailAddress = Type.String({ format: 'email', maxLength: 200 });
/** One to ten addresses, apart by commas, semicolons or spaces. */
export const EmailAddresses = Type.String({ format: 'emails', maxLength: 1000 });
export const IdempotencyKey = Type.String({ pattern: '^[A-Za-z0-9_-]{8,80}$' });

export const AddressInput = Type.Object(
  {
    street: Needed(200),
    city: Needed(100),
    region: Text(100),
    postcode: Text(20),
    country: Type.String({ pattern: '^[A-Z]{2}$' }),
  },
  closed,
);
export type AddressInput = Type.Static<typeof AddressInput>;

export const CustomerPersonInput = Type.Object(
  {
    id: EntityId,
    name: Needed(200),
    role: Text(100),
    email: Type.Union([Type.Literal(''), EmailAddress]),
    phone: Text(60),
    getsOffers: Type.Boolean({ description: 'Letters about proposals go to them' }),
    getsInvoices: Type.Boolean({ description: 'Letters about invoices go to them' }),
  },
  closed,
);

export const CustomerInput = Type.Object(
  {
    name: Needed(200),
    contactName: Text(200),
    email: Type.Union([Type.Literal(''), EmailAddress]),
    phone: Text(60),
    billing: AddressInput,
    internalNote: Text(2000),
    alert: Type.Optional(Type.Boolean({ description: 'Our note is shown before work starts' })),
    /** Why no tax is charged; empty or left out: it is. */
    taxExempt: Type.Optional(Text(200)),
    /** Who there is beside the one we speak with; left out: nobody is added or taken away. */
    people: Type.Optional(Type.Array(CustomerPersonInput, { maxItems: 20 })),
  },
  closed,
);
export type CustomerInput = Type.Static<typeof CustomerInput>;

export const SiteInput = Type.Object(
  { customerId: EntityId, address: AddressInput, internalNote: Text(2000) },
  closed,
);
export type SiteInput = Type.Static<typeof SiteInput>;

/** For whom and where a proposal is made. */
export const PlaceInput = Type.Object({ customerId: EntityId, siteId: EntityId }, closed);

export const StartInput = Type.Object(
  {
    customerId: EntityId,
    siteId: EntityId,
    title: Needed(200),
    templateId: Type.Union([EntityId, Type.Null()]),
  },
  closed,
);
export type StartInput = Type.Static<typeof StartInput>;

export const JsonPatch = Type.Array(
  Type.Union([
    Type.Object({ op: Type.Literal('remove'), path: Type.String({ maxLength: 300 }) }, closed),
    Type.Object(
      {
        op: Type.Union([Type.Literal('add'), Type.Literal('replace')]),
        path: Type.String({ maxLength: 300 }),
        value: Type.Unknown(),
      },
      closed,
    ),
  ]),
  { minItems: 1, maxItems: 20000 },
);
export const SaveInput = Type.Object(
  { proposalId: EntityId, saveNumber: Type.Integer({ minimum: 0 }), patches: JsonPatch },
  closed,
);

export const SendInput = Type.Object(
  { proposalId: EntityId, saveNumber: Type.Integer({ minimum: 0 }), to: EmailAddresses, words: Text(4000) },
  closed,
);
export type SendInput = Type.Static<typeof SendInput>;

export const AskApprovalInput = Type.Object(
  { proposalId: EntityId, saveNumber: Type.Integer({ minimum: 0 }), words: Text(2000) },
  closed,
);

export const AnswerApprovalInput = Type.Object(
  {
    approvalId: EntityId,
    verdict: Type.Union([Type.Literal('yes'), Type.Literal('no')]),
    answer: Text(2000),
  },
  closed,
);

export const Signature = Type.Union([
  Type.Object({ kind: Type.Literal('typed') }, closed),
  Type.Object(
    {
      kind: Type.Literal('drawn'),
      // Only what the signature pad writes: one path of moves and lines, nothing that could run.
      path: Type.String({ pattern: '^[MLC0-9 .,-]+$', minLength: 8, maxLength: 60000 }),
      width: Type.Integer({ minimum: 40, maximum: 4000 }),
      height: Type.Integer({ minimum: 40, maximum: 4000 }),
    },
    closed,
  ),
]);
export type Signature = Type.Static<typeof Signature>;

/** How a customer said yes, where one of ours records it for them. */
export const Told = Type.Object(
  {
    kind: Type.Literal('told'),
    how: Type.Union([
      Type.Literal('by phone'),
      Type.Literal('in person'),
      Type.Literal('by letter'),
      Type.Literal('by mail'),
    ]),
    /** The day on which they said so. */
    on: BusinessDate,
    words: Text(2000),
  },
  closed,
);
export type Told = Type.Static<typeof Told>;
/** A signature as it is kept: the customer's own, or what one of ours recorded. */
export type KeptSignature = Signature | Told;

/** A yes on the customer's behalf, to the newest revision with the choices as they stand. */
export const AcceptForInput = Type.Object(
  {
    proposalId: EntityId,
    revisionId: EntityId,
    /** The total they said yes to. */
    total: Type.String({ maxLength: 30 }),
    signerName: Needed(200),
    told: Told,
    idempotencyKey: IdempotencyKey,
  },
  closed,
);

export const AcceptInput = Type.Object(
  {
    revisionId: EntityId,
    choices: Choices,
    /** The total the signer saw. */
    total: Type.String({ maxLength: 30 }),
    signerName: Needed(200),
    signature: Signature,
    consent: Type.Literal(true),
    idempotencyKey: IdempotencyKey,
    /** Of a change order: the state of the agreement that was seen beside it. */
    contract: Type.Optional(Type.String({ maxLength: 4000 })),
  },
  closed,
);
export type AcceptInput = Type.Static<typeof AcceptInput>;

export const DeclineInput = Type.Object({ revisionId: EntityId, reason: Needed(2000) }, closed);

export const ChooseInput = Type.Object(
  {
    revisionId: EntityId,
    choices: Choices,
    /** The count of changes the page had seen; without it, what is sent stands whatever was chosen meanwhile. */
    seen: Type.Optional(Type.Integer({ minimum: 0 })),
  },
  closed,
);

export const CardInput = Type.Object(
  {
    number: Needed(30),
    expiry: Needed(10),
    idempotencyKey: IdempotencyKey,
    /** The invoice to pay; without it, the deposit. */
    invoiceId: Type.Optional(EntityId),
  },
  closed,
);

export const CardCodeInput = Type.Object({ code: Needed(20), idempotencyKey: IdempotencyKey }, closed);

export const CardNewsKind = Type.Union([
  Type.Literal('accepted'),
  Type.Literal('refused'),
  Type.Literal('disputed'),
  Type.Literal('dispute won'),
  Type.Literal('dispute lost'),
]);

/** What the card service tells later, by itself. */
export const CardNewsInput = Type.Object(
  {
    id: Needed(100),
    charge: EntityId,
    kind: CardNewsKind,
    amount: PositiveDecimalText,
    currency: Type.String({ pattern: '^[A-Z]{3}$' }),
    at: Type.String({ format: 'date-time', maxLength: 40 }),
    reason: Type.Union([Text(300), Type.Null()]),
  },
  closed,
);

/** How money came or went, recorded by hand. */
const HandMethod = Type.Unsafe<Hand>({ type: 'string', enum: [...handMethods] });
/** What the company calls it, where that is a name of its own. */
const methodName = Type.Optional(Text(40));

export const PaymentInput = Type.Object(
  {
    agreementId: EntityId,
    method: HandMethod,
    methodName,
    amount: PositiveDecimalText,
    receivedOn: BusinessDate,
    reference: Text(200),
    idempotencyKey: IdempotencyKey,
    /** What is odd about it was asked about, and is meant. */
    sure: Type.Optional(Type.Boolean()),
    /** The open invoice it goes on before the others. */
    first: Type.Optional(EntityId),
    /** What of it goes on which invoice; without it, on the open ones, oldest first. */
    parts: Type.Optional(
      Type.Array(Type.Object({ invoiceId: EntityId, amount: PositiveDecimalText }, closed), {
        maxItems: 200,
      }),
    ),
  },
  closed,
);
export type PaymentInput = Type.Static<typeof PaymentInput>;

/** One sum of a customer for several of their agreements; the parts come to it. */
export const PaymentOverInput = Type.Object(
  {
    customerId: EntityId,
    method: HandMethod,
    methodName,
    amount: PositiveDecimalText,
    receivedOn: BusinessDate,
    reference: Text(200),
    idempotencyKey: Type.String({ pattern: '^[A-Za-z0-9_-]{8,60}$' }),
    sure: Type.Optional(Type.Boolean()),
    parts: Type.Array(Type.Object({ agreementId: EntityId, amount: PositiveDecimalText }, closed), {
      minItems: 1,
      maxItems: 50,
    }),
  },
  closed,
);
export type PaymentOverInput = Type.Static<typeof PaymentOverInput>;

/** Credit of the customer on an invoice, or on the open ones, oldest first. */
export const CreditUseInput = Type.Object(
  {
    agreementId: EntityId,
    invoiceId: Type.Optional(EntityId),
    /** Another agreement of the same customer, whose credit is used. */
    from: Type.Optional(EntityId),
  },
  closed,
);
export type CreditUseInput = Type.Static<typeof CreditUseInput>;

export const RefundInput = Type.Object(
  {
    agreementId: EntityId,
    method: HandMethod,
    methodName,
    amount: PositiveDecimalText,
    paidOn: BusinessDate,
    reference: Text(200),
    idempotencyKey: IdempotencyKey,
  },
  closed,
);
export type RefundInput = Type.Static<typeof RefundInput>;

/** Credit of the customer back on the card it was paid with. */
export const CardRefundInput = Type.Object(
  { agreementId: EntityId, paymentId: EntityId, amount: PositiveDecimalText, idempotencyKey: IdempotencyKey },
  closed,
);
export type CardRefundInput = Type.Static<typeof CardRefundInput>;

export const ReversalInput = Type.Object(
  {
    paymentId: EntityId,
    kind: Type.Optional(
      Type.Union([Type.Literal('returned'), Type.Literal('void')], {
        description: 'Returned by the bank (as left out), or void: recorded by mistake, it never came',
      }),
    ),
    reason: Needed(200),
    on: Type.Optional(
      Type.String({
        format: 'date',
        description: 'When it was returned. A void payment is void from the day it bears',
      }),
    ),
    idempotencyKey: IdempotencyKey,
  },
  closed,
);
export type ReversalInput = Type.Static<typeof ReversalInput>;

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
