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
  uuid,
} from 'drizzle-orm/pg-core';
import type { BillingTerms, Choices, CostType, KeptSignature, ScheduleEntry, UnitCode } from '@/model';
import { companyId, decimal, id, instant } from './columns';
import { customer, site } from './customers';
import { keptFile } from './files';
import { proposal, revision } from './proposals';

/** The accepted proposal, frozen: who signed what, when, on which hash. Append-only, one to a proposal. */
export const agreement = pgTable(
  'agreement',
  {
    companyId: companyId(),
    id: id(),
    number: integer('number').notNull(),
    proposalId: uuid('proposal_id').notNull(),
    revisionId: uuid('revision_id').notNull(),
    customerId: uuid('customer_id').notNull(),
    siteId: uuid('site_id').notNull(),
    title: text('title').notNull(),
    currency: text('currency').notNull(),
    choices: jsonb('choices').$type<Choices>().notNull(),
    revisionSha256: text('revision_sha256').notNull(),
    signerName: text('signer_name').notNull(),
    signature: jsonb('signature').$type<KeptSignature>().notNull(),
    consent: text('consent').notNull(),
    acceptedAt: instant('accepted_at').notNull(),
    browser: text('browser').notNull(),
    idempotencyKey: text('idempotency_key').notNull(),
    net: decimal('net').notNull(),
    tax: decimal('tax').notNull(),
    total: decimal('total').notNull(),
    /** Retainage, and how the deposit is billed. */
    billing: jsonb('billing').$type<BillingTerms>().notNull().default({}),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
    foreignKey({ columns: [t.companyId, t.revisionId], foreignColumns: [revision.companyId, revision.id] }),
    foreignKey({ columns: [t.companyId, t.customerId], foreignColumns: [customer.companyId, customer.id] }),
    foreignKey({ columns: [t.companyId, t.siteId], foreignColumns: [site.companyId, site.id] }),
    unique('agreement_proposal').on(t.companyId, t.proposalId),
    unique('agreement_number').on(t.companyId, t.number),
    check('agreement_sum', sql`${t.net} + ${t.tax} = ${t.total}`),
  ],
);

const toAgreement = <T extends { companyId: never; agreementId: never }>(t: T) =>
  foreignKey({ columns: [t.companyId, t.agreementId], foreignColumns: [agreement.companyId, agreement.id] });

export const agreementTax = pgTable(
  'agreement_tax',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    position: integer('position').notNull(),
    key: text('key').notNull(),
    taxClass: text('tax_class').notNull(),
    name: text('name').notNull(),
    percent: decimal('percent').notNull(),
    base: decimal('base').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [primaryKey({ columns: [t.companyId, t.agreementId, t.position] }), toAgreement(t as never)],
);

export const agreementLine = pgTable(
  'agreement_line',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    position: integer('position').notNull(),
    sectionTitle: text('section_title').notNull(),
    bundleId: text('bundle_id'),
    bundleName: text('bundle_name'),
    /** The customer sees the bundle as one line. */
    bundleOne: boolean('bundle_one').notNull().default(false),
    description: text('description').notNull(),
    unit: text('unit').$type<UnitCode>().notNull(),
    quantity: decimal('quantity').notNull(),
    unitPrice: decimal('unit_price').notNull(),
    costCode: text('cost_code'),
    /** What the library called its item when it was agreed; null: it is of none, or was agreed before this was kept. */
    itemCode: text('item_code'),
    taxClass: text('tax_class').notNull(),
    net: decimal('net').notNull(),
    cost: decimal('cost').notNull(),
    /** The cost by cost type; types that cost nothing are left out. Empty: not known. */
    costs: jsonb('costs').$type<Partial<Record<CostType, string>>>().notNull().default({}),
    /** The change order that brought it; null: it is of the original sum. */
    changeOrderId: uuid('change_order_id'),
    /** The agreed line it leaves out, and how much of it. */
    omits: text('omits'),
    omittedQuantity: decimal('omitted_quantity'),
    /** The allowance it settles. */
    settles: text('settles'),
  },
  (t) => [primaryKey({ columns: [t.companyId, t.agreementId, t.lineId] }), toAgreement(t as never)],
);

/** Tax of one agreed line by component; only where it is not zero. */
export const agreementLineTax = pgTable(
  'agreement_line_tax',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    position: integer('position').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.agreementId, t.lineId, t.position] }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.lineId],
      foreignColumns: [agreementLine.companyId, agreementLine.agreementId, agreementLine.lineId],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.position],
      foreignColumns: [agreementTax.companyId, agreementTax.agreementId, agreementTax.position],
    }),
  ],
);

/** The payment schedule as agreed; its amounts sum to the agreement's total (checked at commit). */
export const agreementPayment = pgTable(
  'agreement_payment',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    entryId: text('entry_id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    kind: text('kind', { enum: ['deposit', 'stage', 'final'] }).notNull(),
    due: jsonb('due').$type<ScheduleEntry['due']>().notNull(),
    amount: decimal('amount').notNull(),
    /** The change order it is for; null: it is of the original schedule. */
    changeOrderId: uuid('change_order_id'),
  },
  (t) => [primaryKey({ columns: [t.companyId, t.agreementId, t.entryId] }), toAgreement(t as never)],
);

/** A part of the agreed work that is finished, and usually billed, as one. Known by its name within the agreement. */
export const agreementStage = pgTable(
  'agreement_stage',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    plannedOn: date('planned_on'),
    doneOn: date('done_on'),
    doneBy: uuid('done_by'),
    /** What was reported of it last, in percent between 0 and 100; null: nothing. Done, it counts no more. */
    percent: decimal('percent'),
    reportedOn: date('reported_on'),
    reportedBy: uuid('reported_by'),
    /** What the stage will still cost us, as somebody reckons; null: what is left of its budget. */
    toCome: decimal('to_come'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.agreementId, t.name] }),
    toAgreement(t as never),
    check('agreement_stage_percent', sql`${t.percent} > 0 and ${t.percent} < 100`),
  ],
);

/** A photo of a stage, as the work stood that day. */
export const stagePhoto = pgTable(
  'stage_photo',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    stage: text('stage').notNull(),
    fileId: uuid('file_id').notNull(),
    /** What it shows, in our words; the customer reads it where the photo goes with an invoice. */
    caption: text('caption').notNull().default(''),
    addedBy: uuid('added_by').notNull(),
    addedAt: instant('added_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.stage],
      foreignColumns: [agreementStage.companyId, agreementStage.agreementId, agreementStage.name],
    }),
    foreignKey({ columns: [t.companyId, t.fileId], foreignColumns: [keptFile.companyId, keptFile.id] }),
    index('stage_photo_of').on(t.companyId, t.agreementId, t.stage),
  ],
);

/** The stage an agreed line is done in. */
export const lineStage = pgTable(
  'line_stage',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    stage: text('stage').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.agreementId, t.lineId] }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.lineId],
      foreignColumns: [agreementLine.companyId, agreementLine.agreementId, agreementLine.lineId],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.stage],
      foreignColumns: [agreementStage.companyId, agreementStage.agreementId, agreementStage.name],
    }),
  ],
);
