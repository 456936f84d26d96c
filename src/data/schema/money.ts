import { sql } from 'drizzle-orm';
import {
  check,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import type { Address } from './accounts';
import { agreement, agreementLine, agreementPayment, agreementTax } from './agreements';
import { companyId, decimal, id, instant } from './columns';
import { customer } from './customers';

/** The last number given out, per company and series. Locked while a number is taken, so there is no gap and no double. */
export const numberSeries = pgTable(
  'number_series',
  { companyId: companyId(), series: text('series').notNull(), last: integer('last').notNull() },
  (t) => [primaryKey({ columns: [t.companyId, t.series] })],
);

/** Seller and buyer as they stood when the invoice was issued. */
export interface Party {
  readonly name: string;
  readonly address: Address;
  readonly email: string;
  readonly taxNumber: string | null;
}

/** An issued invoice; append-only. */
export const invoice = pgTable(
  'invoice',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    number: integer('number').notNull(),
    /** The schedule entry it bills; null when it bills all that was left. */
    entryId: text('entry_id'),
    title: text('title').notNull(),
    issuedOn: date('issued_on').notNull(),
    dueOn: date('due_on').notNull(),
    seller: jsonb('seller').$type<Party>().notNull(),
    buyer: jsonb('buyer').$type<Party>().notNull(),
    net: decimal('net').notNull(),
    tax: decimal('tax').notNull(),
    total: decimal('total').notNull(),
    billedBefore: decimal('billed_before').notNull(),
    issuedBy: uuid('issued_by'),
    issuedAt: instant('issued_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.entryId],
      foreignColumns: [agreementPayment.companyId, agreementPayment.agreementId, agreementPayment.entryId],
    }),
    unique('invoice_number').on(t.companyId, t.number),
    unique('invoice_entry').on(t.companyId, t.agreementId, t.entryId),
    check('invoice_sum', sql`${t.net} + ${t.tax} = ${t.total}`),
  ],
);

/** The part of one agreement line that one invoice bills. No line is ever drawn past what was agreed (checked at commit). */
export const draw = pgTable(
  'draw',
  {
    companyId: companyId(),
    invoiceId: uuid('invoice_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    net: decimal('net').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.invoiceId, t.lineId] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.lineId],
      foreignColumns: [agreementLine.companyId, agreementLine.agreementId, agreementLine.lineId],
    }),
    index('draw_line').on(t.companyId, t.agreementId, t.lineId),
  ],
);

export const drawTax = pgTable(
  'draw_tax',
  {
    companyId: companyId(),
    invoiceId: uuid('invoice_id').notNull(),
    lineId: text('line_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    position: integer('position').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.invoiceId, t.lineId, t.position] }),
    foreignKey({
      columns: [t.companyId, t.invoiceId, t.lineId],
      foreignColumns: [draw.companyId, draw.invoiceId, draw.lineId],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.position],
      foreignColumns: [agreementTax.companyId, agreementTax.agreementId, agreementTax.position],
    }),
  ],
);

/** An answer of the card stand-in, kept under the key it was asked with, so that a repeat gets the same answer. */
export const cardCharge = pgTable(
  'card_charge',
  {
    companyId: companyId(),
    id: id(),
    invoiceId: uuid('invoice_id').notNull(),
    idempotencyKey: text('idempotency_key').notNull(),
    amount: decimal('amount').notNull(),
    lastFour: text('last_four').notNull(),
    answer: text('answer', { enum: ['accepted', 'refused'] }).notNull(),
    reason: text('reason'),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    unique('card_charge_key').on(t.companyId, t.idempotencyKey),
  ],
);

/** Money in; append-only. */
export const payment = pgTable(
  'payment',
  {
    companyId: companyId(),
    id: id(),
    customerId: uuid('customer_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    method: text('method', { enum: ['card', 'cheque', 'transfer', 'cash'] }).notNull(),
    amount: decimal('amount').notNull(),
    receivedOn: date('received_on').notNull(),
    reference: text('reference').notNull().default(''),
    idempotencyKey: text('idempotency_key').notNull(),
    recordedBy: uuid('recorded_by'),
    recordedAt: instant('recorded_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.customerId], foreignColumns: [customer.companyId, customer.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    unique('payment_key').on(t.companyId, t.idempotencyKey),
    check('payment_positive', sql`${t.amount} > 0`),
  ],
);

/** What of a payment goes to which invoice. No invoice is paid more than its total (checked at commit). */
export const paymentPart = pgTable(
  'payment_part',
  {
    companyId: companyId(),
    paymentId: uuid('payment_id').notNull(),
    invoiceId: uuid('invoice_id').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.paymentId, t.invoiceId] }),
    foreignKey({ columns: [t.companyId, t.paymentId], foreignColumns: [payment.companyId, payment.id] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    check('payment_part_positive', sql`${t.amount} > 0`),
  ],
);
