import { sql } from 'drizzle-orm';
import {
  check,
  foreignKey,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import type { Allowance, Choices, KeptSignature, SelectionRound } from '@/model';
import { user } from './accounts';
import { agreement, agreementLine, agreementPayment, agreementTax } from './agreements';
import { companyId, decimal, id, instant } from './columns';
import { proposal, revision } from './proposals';

/** A signed change order: an addition to an agreement's sum, or an omission. Append-only, one to its proposal. */
export const changeOrder = pgTable(
  'change_order',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    number: integer('number').notNull(),
    proposalId: uuid('proposal_id').notNull(),
    revisionId: uuid('revision_id').notNull(),
    title: text('title').notNull(),
    choices: jsonb('choices').$type<Choices>().notNull(),
    net: decimal('net').notNull(),
    tax: decimal('tax').notNull(),
    total: decimal('total').notNull(),
    acceptedAt: instant('accepted_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
    foreignKey({ columns: [t.companyId, t.revisionId], foreignColumns: [revision.companyId, revision.id] }),
    unique('change_order_proposal').on(t.companyId, t.proposalId),
    unique('change_order_number').on(t.companyId, t.agreementId, t.number),
    check('change_order_sum', sql`${t.net} + ${t.tax} = ${t.total}`),
  ],
);

/** What a change order adds to a tax component of its agreement. */
export const changeOrderTax = pgTable(
  'change_order_tax',
  {
    companyId: companyId(),
    changeOrderId: uuid('change_order_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    position: integer('position').notNull(),
    base: decimal('base').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.changeOrderId, t.position] }),
    foreignKey({
      columns: [t.companyId, t.changeOrderId],
      foreignColumns: [changeOrder.companyId, changeOrder.id],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.position],
      foreignColumns: [agreementTax.companyId, agreementTax.agreementId, agreementTax.position],
    }),
  ],
);

/** What a change order adds to a payment that is not billed yet (checked when it comes in). */
export const agreementPaymentChange = pgTable(
  'agreement_payment_change',
  {
    companyId: companyId(),
    changeOrderId: uuid('change_order_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    entryId: text('entry_id').notNull(),
    amount: decimal('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.changeOrderId, t.entryId] }),
    foreignKey({
      columns: [t.companyId, t.changeOrderId],
      foreignColumns: [changeOrder.companyId, changeOrder.id],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.entryId],
      foreignColumns: [agreementPayment.companyId, agreementPayment.agreementId, agreementPayment.entryId],
    }),
  ],
);

/** Money set aside in an agreement: its terms, and what may be spent in the measure of its rule. */
export const agreementAllowance = pgTable(
  'agreement_allowance',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    terms: jsonb('terms').$type<Omit<Allowance, 'rounds'>>().notNull(),
    spend: decimal('spend').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.agreementId, t.lineId] }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.lineId],
      foreignColumns: [agreementLine.companyId, agreementLine.agreementId, agreementLine.lineId],
    }),
  ],
);

/** A dated request to choose against an allowance; in work until it is signed. */
export const selectionRound = pgTable(
  'selection_round',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    document: jsonb('document').$type<SelectionRound>().notNull(),
    /** Counts saves; who signs or saves names the number they last saw. */
    saveNumber: integer('save_number').notNull(),
    /** Prepared: ours to work on. Offered: the customer can choose. Withdrawn: taken back. */
    state: text('state', { enum: ['prepared', 'offered', 'withdrawn'] }).notNull(),
    offeredAt: instant('offered_at'),
    /** What the customer has picked so far. */
    choices: jsonb('choices').$type<Choices>().notNull(),
    createdAt: instant('created_at').notNull(),
    updatedAt: instant('updated_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.lineId],
      foreignColumns: [
        agreementAllowance.companyId,
        agreementAllowance.agreementId,
        agreementAllowance.lineId,
      ],
    }),
    check('selection_round_state', sql`${t.state} in ('prepared', 'offered', 'withdrawn')`),
  ],
);

/** A signed round: what was chosen, frozen, in the order of signature. Append-only, one to a round. */
export const selection = pgTable(
  'selection',
  {
    companyId: companyId(),
    id: id(),
    roundId: uuid('round_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id').notNull(),
    /** Counts the signed rounds of one allowance. */
    position: integer('position').notNull(),
    document: jsonb('document').$type<SelectionRound>().notNull(),
    choices: jsonb('choices').$type<Choices>().notNull(),
    chosen: decimal('chosen').notNull(),
    signedAt: instant('signed_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.roundId],
      foreignColumns: [selectionRound.companyId, selectionRound.id],
    }),
    unique('selection_round_once').on(t.companyId, t.roundId),
    unique('selection_order').on(t.companyId, t.agreementId, t.lineId, t.position),
  ],
);

/**
 * Who signed what: an agreement, a change order or the selections of a round. The statement is canonical JSON (RFC 8785)
 * of everything that was signed, as the customer read it; whoever holds it can check it against its SHA-256. Append-only.
 */
export const signing = pgTable(
  'signing',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    kind: text('kind', { enum: ['proposal', 'change order', 'selections'] }).notNull(),
    /** The agreement, the change order or the selection. */
    subject: uuid('subject').notNull(),
    statement: text('statement').notNull(),
    sha256: text('sha256').notNull(),
    signerName: text('signer_name').notNull(),
    signature: jsonb('signature').$type<KeptSignature>().notNull(),
    browser: text('browser').notNull(),
    fromAddress: text('from_address').notNull(),
    /** Who of ours recorded it on the customer's behalf; null: the customer signed. */
    recordedBy: uuid('recorded_by'),
    signedAt: instant('signed_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    foreignKey({ columns: [t.companyId, t.recordedBy], foreignColumns: [user.companyId, user.id] }),
    unique('signing_subject').on(t.companyId, t.kind, t.subject),
    // A statement is signed once.
    unique('signing_statement').on(t.sha256),
    check('signing_kind', sql`${t.kind} in ('proposal', 'change order', 'selections')`),
    check('signing_sha256', sql`${t.sha256} ~ '^[0-9a-f]{64}$'`),
  ],
);

/** A question of the customer about a proposal, and our answer; asked and answered once. */
export const customerQuestion = pgTable(
  'customer_question',
  {
    companyId: companyId(),
    id: id(),
    proposalId: uuid('proposal_id').notNull(),
    revisionId: uuid('revision_id').notNull(),
    words: text('words').notNull(),
    askedAt: instant('asked_at').notNull(),
    answer: text('answer'),
    answeredBy: uuid('answered_by'),
    answeredAt: instant('answered_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
    foreignKey({ columns: [t.companyId, t.revisionId], foreignColumns: [revision.companyId, revision.id] }),
    foreignKey({ columns: [t.companyId, t.answeredBy], foreignColumns: [user.companyId, user.id] }),
    check(
      'customer_question_answered',
      sql`(${t.answer} is null) = (${t.answeredBy} is null) and (${t.answer} is null) = (${t.answeredAt} is null)`,
    ),
  ],
);
