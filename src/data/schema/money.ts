import { methodKeys } from '@/model/paymentMethods';
import { sql } from 'drizzle-orm';
import {
  boolean,
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
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { BillingAsk, InvoiceShows, LateTerms } from '@/model';
import type { Address } from './accounts';
import { agreement, agreementLine, agreementPayment, agreementTax } from './agreements';
import { companyId, decimal, id, instant } from './columns';
import { customer } from './customers';

/** The last number given out, per company and series. Locked while a number is taken, so there is no gap and no double. */
/** Where a company wants a series to go on: no number below is taken any more. */
export const seriesStart = pgTable(
  'series_start',
  { companyId: companyId(), series: text('series').notNull(), next: integer('next').notNull() },
  (t) => [
    primaryKey({ columns: [t.companyId, t.series] }),
    check('series_start_next', sql`${t.next} between 1 and 99999999`),
  ],
);

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

/** An issued invoice or credit note; append-only. */
export const invoice = pgTable(
  'invoice',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    /**
     * Invoice: bills work. Advance: bills money ahead of it. Release: bills what was held. Late charge: what another
     * invoice costs because it was paid late; none of the agreement.
     */
    kind: text('kind', { enum: ['invoice', 'advance', 'release', 'late charge', 'credit note'] })
      .notNull()
      .default('invoice'),
    series: text('series', { enum: ['invoice', 'credit note'] })
      .notNull()
      .default('invoice'),
    year: integer('year').notNull(),
    number: integer('number').notNull(),
    /** The number as it is printed. */
    label: text('label').notNull(),
    /** Counts the papers of one agreement, in the order they were issued. */
    position: integer('position').notNull(),
    /** The schedule entry it bills; null: none. */
    entryId: text('entry_id'),
    /** The invoice that a credit note takes back; null: it is one on the agreement itself, or no credit note. */
    credits: uuid('credits'),
    /** What it costs to pay it late, as it is stated on it; null: nothing. */
    lateTerms: jsonb('late_terms').$type<LateTerms>(),
    /** Of a late charge: the invoice that was paid late, and the last day that is charged. */
    lateOf: uuid('late_of'),
    lateUntil: date('late_until'),
    /** Its work counts where retainage is reckoned. */
    countsTowardRetainage: boolean('holds').notNull().default(true),
    /** How much of the agreement it shows. */
    shows: jsonb('shows').$type<InvoiceShows>().notNull().default({ unbilled: 'hidden', bundles: 'agreed' }),
    /** Words of ours to the customer. */
    remark: text('remark').notNull().default(''),
    title: text('title').notNull(),
    issuedOn: date('issued_on').notNull(),
    dueOn: date('due_on').notNull(),
    seller: jsonb('seller').$type<Party>().notNull(),
    buyer: jsonb('buyer').$type<Party>().notNull(),
    net: decimal('net').notNull(),
    tax: decimal('tax').notNull(),
    total: decimal('total').notNull(),
    billedBefore: decimal('billed_before').notNull(),
    /** Of the total, what the customer's credit paid when it was issued. */
    creditUsed: decimal('credit_used').notNull().default('0'),
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
    foreignKey({ columns: [t.companyId, t.credits], foreignColumns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.lateOf], foreignColumns: [t.companyId, t.id] }),
    unique('invoice_number').on(t.companyId, t.series, t.year, t.number),
    unique('invoice_label').on(t.companyId, t.label),
    unique('invoice_position').on(t.companyId, t.agreementId, t.position),
    index('invoice_issued').on(t.companyId, t.issuedAt, t.id),
    check('invoice_kind', sql`${t.kind} in ('invoice', 'advance', 'release', 'late charge', 'credit note')`),
    check('invoice_credits', sql`${t.credits} is null or ${t.kind} = 'credit note'`),
    check(
      'invoice_sign',
      sql`case when ${t.kind} = 'credit note' then ${t.total} <= 0 else ${t.total} >= 0 end`,
    ),
    check(
      'invoice_late',
      sql`(${t.kind} = 'late charge') = (${t.lateOf} is not null) and (${t.lateOf} is null) = (${t.lateUntil} is null)`,
    ),
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

/**
 * Money on an invoice apart from its lines, by tax class: what is held back of the work or released (retainage), what is
 * billed ahead of it or counted off (advance). With the sign it has in the total.
 */
export const invoiceAdjustment = pgTable(
  'invoice_adjustment',
  {
    companyId: companyId(),
    invoiceId: uuid('invoice_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    kind: text('kind', { enum: ['retainage', 'advance'] }).notNull(),
    taxClass: text('tax_class').notNull(),
    net: decimal('net').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.invoiceId, t.kind, t.taxClass] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    index('invoice_adjustment_agreement').on(t.companyId, t.agreementId),
    check('invoice_adjustment_kind', sql`${t.kind} in ('retainage', 'advance')`),
  ],
);

export const invoiceAdjustmentTax = pgTable(
  'invoice_adjustment_tax',
  {
    companyId: companyId(),
    invoiceId: uuid('invoice_id').notNull(),
    kind: text('kind', { enum: ['retainage', 'advance'] }).notNull(),
    taxClass: text('tax_class').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    position: integer('position').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.invoiceId, t.kind, t.taxClass, t.position] }),
    foreignKey({
      columns: [t.companyId, t.invoiceId, t.kind, t.taxClass],
      foreignColumns: [
        invoiceAdjustment.companyId,
        invoiceAdjustment.invoiceId,
        invoiceAdjustment.kind,
        invoiceAdjustment.taxClass,
      ],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.position],
      foreignColumns: [agreementTax.companyId, agreementTax.agreementId, agreementTax.position],
    }),
    index('invoice_adjustment_tax_agreement').on(t.companyId, t.agreementId),
  ],
);

/** An invoice in work: what is asked for, not yet issued. One to an agreement; it can be changed and thrown away. */
export const invoiceDraft = pgTable(
  'invoice_draft',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    what: jsonb('what').$type<BillingAsk>().notNull(),
    title: text('title').notNull(),
    shows: jsonb('shows').$type<InvoiceShows>().notNull(),
    remark: text('remark').notNull(),
    savedBy: uuid('saved_by').notNull(),
    savedAt: instant('saved_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.agreementId] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
  ],
);

/** A layout of invoices under a name, for all agreements or for one. At most one of those for all is the usual one. */
export const paperLayout = pgTable(
  'paper_layout',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    /** The agreement whose rows it names; null: it is for all. */
    agreementId: uuid('agreement_id'),
    shows: jsonb('shows').$type<InvoiceShows>().notNull(),
    /** Invoices begin with it. */
    usual: boolean('usual').notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    uniqueIndex('paper_layout_name').on(
      t.companyId,
      sql`coalesce(${t.agreementId}, ${t.companyId})`,
      sql`lower(${t.name})`,
    ),
    uniqueIndex('paper_layout_usual')
      .on(t.companyId)
      .where(sql`${t.usual}`),
    check('paper_layout_usual_for_all', sql`not ${t.usual} or ${t.agreementId} is null`),
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
    method: text('method', { enum: methodKeys }).notNull(),
    /** What the company calls the way it came, where that is a name of its own. */
    methodName: text('method_name'),
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
    index('payment_agreement').on(t.companyId, t.agreementId),
    index('payment_recorded').on(t.companyId, t.recordedAt),
    index('payment_received').on(t.companyId, t.receivedOn),
    check('payment_positive', sql`${t.amount} > 0`),
  ],
);

/** Money in that went out again: a card payment disputed, a check returned; below zero, one that came back. Append-only. */
export const paymentReversal = pgTable(
  'payment_reversal',
  {
    companyId: companyId(),
    id: id(),
    paymentId: uuid('payment_id').notNull(),
    amount: decimal('amount').notNull(),
    /** Returned: by the bank or the card's holder. Void: it was recorded by mistake and never came. */
    kind: text('kind', { enum: ['returned', 'void'] })
      .notNull()
      .default('returned'),
    reason: text('reason').notNull(),
    on: date('happened_on').notNull(),
    idempotencyKey: text('idempotency_key').notNull(),
    recordedBy: uuid('recorded_by'),
    recordedAt: instant('recorded_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.paymentId], foreignColumns: [payment.companyId, payment.id] }),
    unique('payment_reversal_key').on(t.companyId, t.idempotencyKey),
    index('payment_reversal_payment').on(t.companyId, t.paymentId),
    check('payment_reversal_kind', sql`${t.kind} in ('returned', 'void')`),
  ],
);

/** Credit of the customer paid back. Append-only. */
export const refund = pgTable(
  'refund',
  {
    companyId: companyId(),
    id: id(),
    customerId: uuid('customer_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    method: text('method', { enum: methodKeys }).notNull(),
    methodName: text('method_name'),
    /** The card payment it went back on the card of. */
    paymentId: uuid('payment_id'),
    amount: decimal('amount').notNull(),
    paidOn: date('paid_on').notNull(),
    reference: text('reference').notNull().default(''),
    idempotencyKey: text('idempotency_key').notNull(),
    recordedBy: uuid('recorded_by'),
    recordedAt: instant('recorded_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    foreignKey({ columns: [t.companyId, t.paymentId], foreignColumns: [payment.companyId, payment.id] }),
    unique('refund_key').on(t.companyId, t.idempotencyKey),
    index('refund_payment').on(t.companyId, t.paymentId),
    index('refund_agreement').on(t.companyId, t.agreementId),
    check('refund_positive', sql`${t.amount} > 0`),
  ],
);

/**
 * What of a payment or a credit note is put on an invoice or paid back; below zero where it is taken off again. The sums
 * stay within the payment, the credit note, the invoice and the refund (checked at commit). Append-only.
 */
export const allocation = pgTable(
  'allocation',
  {
    companyId: companyId(),
    id: id(),
    paymentId: uuid('payment_id'),
    creditNoteId: uuid('credit_note_id'),
    invoiceId: uuid('invoice_id'),
    refundId: uuid('refund_id'),
    amount: decimal('amount').notNull(),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.paymentId], foreignColumns: [payment.companyId, payment.id] }),
    foreignKey({ columns: [t.companyId, t.creditNoteId], foreignColumns: [invoice.companyId, invoice.id] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    foreignKey({ columns: [t.companyId, t.refundId], foreignColumns: [refund.companyId, refund.id] }),
    index('allocation_payment').on(t.companyId, t.paymentId),
    index('allocation_credit_note').on(t.companyId, t.creditNoteId),
    index('allocation_invoice').on(t.companyId, t.invoiceId),
    index('allocation_refund').on(t.companyId, t.refundId),
    check('allocation_source', sql`(${t.paymentId} is null) <> (${t.creditNoteId} is null)`),
    check('allocation_target', sql`(${t.invoiceId} is null) <> (${t.refundId} is null)`),
    check('allocation_something', sql`${t.amount} <> 0`),
  ],
);
