import { sql } from 'drizzle-orm';
import {
  check,
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
import type { Bundle, Choices, Line, ProposalDocument } from '@/model';
import { user } from './accounts';
import { bytea, companyId, decimal, id, instant, letterStates } from './columns';
import { customer, site } from './customers';
import { keptFile } from './files';

export const proposal = pgTable(
  'proposal',
  {
    companyId: companyId(),
    id: id(),
    /** Of a change order: which of its agreement it is. */
    number: integer('number').notNull(),
    /** The agreement it changes; null: it is a proposal. */
    agreementId: uuid('agreement_id'),
    customerId: uuid('customer_id').notNull(),
    siteId: uuid('site_id').notNull(),
    sellerId: uuid('seller_id').notNull(),
    title: text('title').notNull(),
    state: text('state', {
      enum: ['draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn'],
    }).notNull(),
    document: jsonb('document').$type<ProposalDocument>().notNull(),
    /** The last day its prices hold, out of the document: lists need not open it. */
    validUntil: text('valid_until').generatedAlwaysAs(sql`(document->>'validUntil')`),
    /** Counts saves; a save names the number it last saw. */
    saveNumber: integer('save_number').notNull(),
    /** The save the newest revision froze; null before the first send. */
    sentSaveNumber: integer('sent_save_number'),
    /** Total as suggested, kept for lists. */
    total: decimal('total').notNull(),
    createdAt: instant('created_at').notNull(),
    updatedAt: instant('updated_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.customerId], foreignColumns: [customer.companyId, customer.id] }),
    foreignKey({ columns: [t.companyId, t.siteId], foreignColumns: [site.companyId, site.id] }),
    foreignKey({ columns: [t.companyId, t.sellerId], foreignColumns: [user.companyId, user.id] }),
    uniqueIndex('proposal_number')
      .on(t.companyId, t.number)
      .where(sql`${t.agreementId} is null`),
    uniqueIndex('proposal_change_number')
      .on(t.companyId, t.agreementId, t.number)
      .where(sql`${t.agreementId} is not null`),
    index('proposal_customer').on(t.companyId, t.customerId),
    check(
      'proposal_state',
      sql`${t.state} in ('draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn')`,
    ),
  ],
);

/** Every save as it came, so that a late save can be told what changed. */
export const proposalEdit = pgTable(
  'proposal_edit',
  {
    companyId: companyId(),
    proposalId: uuid('proposal_id').notNull(),
    saveNumber: integer('save_number').notNull(),
    patches: jsonb('patches').$type<unknown[]>().notNull(),
    /** What somebody without cost took out, as it stood with its costs: their undo brings it back. */
    removed: jsonb('removed').$type<(Line | Bundle)[]>(),
    userId: uuid('user_id').notNull(),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.proposalId, t.saveNumber] }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
  ],
);

/** A frozen state: canonical JSON (RFC 8785) and its SHA-256. Append-only; the newest one counts. */
export const revision = pgTable(
  'revision',
  {
    companyId: companyId(),
    id: id(),
    proposalId: uuid('proposal_id').notNull(),
    number: integer('number').notNull(),
    canonical: text('canonical').notNull(),
    sha256: text('sha256').notNull(),
    sentBy: uuid('sent_by').notNull(),
    sentAt: instant('sent_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
    unique('revision_number').on(t.companyId, t.proposalId, t.number),
    check('revision_sha256', sql`${t.sha256} ~ '^[0-9a-f]{64}$'`),
  ],
);

/** A private link to a proposal's booklet: only the hash of its 256 random bits is kept. */
export const link = pgTable(
  'link',
  {
    companyId: companyId(),
    id: id(),
    proposalId: uuid('proposal_id').notNull(),
    tokenHash: text('token_hash').notNull(),
    /** What it was made for: who may be shown it follows from that. */
    purpose: text('purpose', { enum: ['proposal', 'selections', 'invoice', 'acceptance'] })
      .notNull()
      .default('proposal'),
    /** Its address, sealed with a key that is not in the database; null: nobody can be shown it again. */
    sealed: text('sealed'),
    createdAt: instant('created_at').notNull(),
    expiresAt: instant('expires_at').notNull(),
    revokedAt: instant('revoked_at'),
    firstOpenedAt: instant('first_opened_at'),
    lastOpenedAt: instant('last_opened_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
    unique('link_token').on(t.tokenHash),
  ],
);

/** What the customer has decided so far on a revision, before signing. */
export const customerChoice = pgTable(
  'customer_choice',
  {
    companyId: companyId(),
    revisionId: uuid('revision_id').notNull(),
    choices: jsonb('choices').$type<Choices>().notNull(),
    /** Counts the changes, so that two who choose at once see each other. */
    number: integer('number').notNull().default(1),
    /** Who of ours chose last, on the phone with the customer; null: the customer. */
    presetBy: uuid('preset_by'),
    updatedAt: instant('updated_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.revisionId] }),
    foreignKey({ columns: [t.companyId, t.presetBy], foreignColumns: [user.companyId, user.id] }),
    foreignKey({ columns: [t.companyId, t.revisionId], foreignColumns: [revision.companyId, revision.id] }),
  ],
);

/**
 * The owner's yes or no to send a proposal as it stood, asked where it crosses the company's limits. A row is written when
 * it is asked and once more when it is answered, never again.
 */
export const approval = pgTable(
  'approval',
  {
    companyId: companyId(),
    id: id(),
    proposalId: uuid('proposal_id').notNull(),
    /** The state of the document that is asked about. */
    saveNumber: integer('save_number').notNull(),
    /** What it crosses, in words. */
    reasons: jsonb('reasons').$type<readonly string[]>().notNull(),
    askedBy: uuid('asked_by').notNull(),
    askedAt: instant('asked_at').notNull(),
    words: text('words').notNull().default(''),
    verdict: text('verdict', { enum: ['yes', 'no'] }),
    answeredBy: uuid('answered_by'),
    answeredAt: instant('answered_at'),
    answer: text('answer').notNull().default(''),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.proposalId], foreignColumns: [proposal.companyId, proposal.id] }),
    foreignKey({ columns: [t.companyId, t.askedBy], foreignColumns: [user.companyId, user.id] }),
    foreignKey({ columns: [t.companyId, t.answeredBy], foreignColumns: [user.companyId, user.id] }),
    unique('approval_once').on(t.companyId, t.proposalId, t.saveNumber),
    check(
      'approval_answered',
      sql`(${t.verdict} is null) = (${t.answeredBy} is null) and (${t.verdict} is null) = (${t.answeredAt} is null)`,
    ),
  ],
);

/** A customer's no, with the reason they gave. */
export const decline = pgTable(
  'decline',
  {
    companyId: companyId(),
    id: id(),
    revisionId: uuid('revision_id').notNull(),
    reason: text('reason').notNull(),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.revisionId], foreignColumns: [revision.companyId, revision.id] }),
    unique('decline_revision').on(t.companyId, t.revisionId),
  ],
);

/** Messages to customers. The simulated post delivers by showing them here. */
export const message = pgTable(
  'message',
  {
    companyId: companyId(),
    id: id(),
    proposalId: uuid('proposal_id'),
    /** Whose it is, where it is about no proposal. */
    customerId: uuid('customer_id'),
    kind: text('kind').notNull(),
    toAddress: text('to_address').notNull(),
    subject: text('subject').notNull(),
    /** As it went out, but for the private link in it. */
    body: text('body').notNull(),
    linkId: uuid('link_id'),
    state: text('state', { enum: letterStates }).notNull(),
    /** What its carrier said of it, in a sentence; empty where there is nothing to say. */
    note: text('note').notNull().default(''),
    /** How often a carrier was asked. */
    tries: integer('tries').notNull().default(0),
    /** The whole body with the link in it, sealed, until a carrier has it. */
    sealed: text('sealed'),
    at: instant('at').notNull(),
    /** When its state became what it is; null while it waits. */
    settledAt: instant('settled_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.linkId], foreignColumns: [link.companyId, link.id] }),
    foreignKey({ columns: [t.companyId, t.customerId], foreignColumns: [customer.companyId, customer.id] }),
    check('message_sealed', sql`${t.sealed} is null or ${t.state} in ('waiting', 'failed')`),
    index('message_at').on(t.companyId, t.at),
    index('message_link').on(t.companyId, t.linkId),
  ],
);

/** What went out with a letter, as it was then: a paper as its bytes, a photo as the kept picture. */
export const messageAttachment = pgTable(
  'message_attachment',
  {
    companyId: companyId(),
    messageId: uuid('message_id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    mediaType: text('media_type').notNull(),
    bytes: bytea('bytes'),
    fileId: uuid('file_id'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.messageId, t.position] }),
    foreignKey({ columns: [t.companyId, t.messageId], foreignColumns: [message.companyId, message.id] }),
    foreignKey({ columns: [t.companyId, t.fileId], foreignColumns: [keptFile.companyId, keptFile.id] }),
    check('message_attachment_one', sql`(${t.bytes} is null) <> (${t.fileId} is null)`),
  ],
);
