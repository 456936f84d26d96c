import Type from 'typebox';
import { EntityId, IdempotencyKey, Needed, Text } from './inputParts';
import { handMethods } from './paymentMethods';
import { BusinessDate, PositiveDecimalText } from './scalars';
import type { HandMethod as Hand } from './paymentMethods';

const closed = { additionalProperties: false } as const;

export const CardInput = Type.Object(
  {
    /** What the page of the card service gave in the place of the card's number. */
    card: Needed(1000),
    idempotencyKey: IdempotencyKey,
    /** The invoice to pay; without it, the deposit. */
    invoiceId: Type.Optional(EntityId),
  },
  closed,
);

/** A page of the card service, for an invoice or (without it) the deposit. */
export const CardPageInput = Type.Object(
  { idempotencyKey: IdempotencyKey, invoiceId: Type.Optional(EntityId) },
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
