import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
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
import type {
  Address,
  CompanyMoney,
  CostCodes,
  CompanyPricing,
  DeskPreferences,
  ListPreferences,
  NumberPatterns,
  Permission,
  UsualTerms,
} from '@/model';
import { usualNumbers } from '@/model';
import { companyId, decimal, id, instant, letterStates } from './columns';

export type { Address };

/** The contractor that uses the installation. */
export const company = pgTable('company', {
  id: id().primaryKey(),
  name: text('name').notNull(),
  address: jsonb('address').$type<Address>().notNull(),
  email: text('email').notNull(),
  phone: text('phone').notNull(),
  taxNumber: text('tax_number').notNull(),
  /** Of the trade, as customers may ask for it. */
  licence: text('licence').notNull().default(''),
  website: text('website').notNull().default(''),
  /** A kept picture; where the company has a logo. */
  logo: uuid('logo'),
  /** The color of titles and rules on its papers, as #rrggbb; null: that of the product. */
  color: text('color'),
  /** In what proposals begun from now on show sizes, and which units are offered first. */
  units: text('units', { enum: ['us', 'metric'] })
    .notNull()
    .default('us'),
  /** What of setting up was put off, or is done otherwise, by key. */
  setUpAside: jsonb('set_up_aside').$type<readonly string[]>().notNull().default([]),
  /** The cost codes it books by, and which each trade has. */
  costCodes: jsonb('cost_codes').$type<CostCodes>().notNull().default({ codes: [], byTrade: {} }),
  /** What it counts in beside the units everybody knows, by name. */
  ownUnits: jsonb('own_units').$type<readonly string[]>().notNull().default([]),
  /** How numbers of invoices and credit notes are printed. */
  numbers: jsonb('numbers').$type<NumberPatterns>().notNull().default(usualNumbers),
  currency: text('currency').notNull(),
  timeZone: text('time_zone').notNull(),
  depositInvoiceOnAcceptance: boolean('deposit_invoice_on_acceptance').notNull().default(true),
  validityDays: integer('validity_days').notNull().default(30),
  paymentDays: integer('payment_days').notNull().default(14),
  usual: jsonb('usual').$type<UsualTerms>().notNull(),
  /** Markup levels by name, and what is not sold without the owner's yes. */
  pricing: jsonb('pricing').$type<CompanyPricing>().notNull().default({ loadSets: [], limits: {} }),
  /** Made up, for trying; removed as a whole. */
  demo: boolean('demo').notNull().default(false),
  /** Payment presets, and the law and habits of asking for money. */
  money: jsonb('money').$type<CompanyMoney>().notNull().default({ presets: [] }),
  createdAt: instant('created_at').notNull(),
});

/**
 * Somebody who can sign in, whichever companies they work for. A company sees the address and name of its own people;
 * what is secret of a person is read by functions of the database alone, one question at a time.
 */
export const person = pgTable(
  'person',
  {
    id: id().primaryKey(),
    email: text('email').notNull(),
    name: text('name').notNull(),
    /** None until a password is set. */
    passwordHash: text('password_hash'),
    /** The secret of the authenticator, sealed; it counts once it is confirmed. */
    totp: text('totp'),
    totpSince: instant('totp_since'),
    /** The step of the last code taken: a code opens once. */
    totpStep: bigint('totp_step', { mode: 'number' }),
    createdAt: instant('created_at').notNull(),
  },
  (t) => [uniqueIndex('person_email').on(sql`lower(${t.email})`)],
);

/** Codes on paper, for who lost the authenticator; each opens once. Only hashes are kept. */
export const recoveryCode = pgTable(
  'recovery_code',
  {
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    hash: text('hash').notNull(),
    usedAt: instant('used_at'),
  },
  (t) => [primaryKey({ columns: [t.personId, t.hash] })],
);

/** A link that lets a person who forgot their password set another, once and for a while. */
export const passwordLink = pgTable(
  'password_link',
  {
    tokenHash: text('token_hash').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    expiresAt: instant('expires_at').notNull(),
    usedAt: instant('used_at'),
  },
  (t) => [index('password_link_person').on(t.personId)],
);

/** A link that lets a person sign in with another address, once and for a while: whoever reads letters there opens it. */
export const emailLink = pgTable(
  'email_link',
  {
    tokenHash: text('token_hash').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    email: text('email').notNull(),
    expiresAt: instant('expires_at').notNull(),
    usedAt: instant('used_at'),
  },
  (t) => [index('email_link_person').on(t.personId)],
);

/** A named set of permissions. */
export const role = pgTable(
  'role',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    /** Which of the first roles it began as; `owner` has everything, always. */
    kind: text('kind'),
    permissions: jsonb('permissions').$type<readonly Permission[]>().notNull(),
    /** The most they may take off without approval, in percent; null: as the company says. */
    discount: decimal('discount'),
    position: integer('position').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    uniqueIndex('role_name').on(t.companyId, sql`lower(${t.name})`),
    uniqueIndex('role_owner')
      .on(t.companyId)
      .where(sql`${t.kind} = 'owner'`),
  ],
);

/** A person as one of a company: what they are called there, and what they may do. */
export const user = pgTable(
  'app_user',
  {
    companyId: companyId(),
    id: id(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id),
    name: text('name').notNull(),
    roleId: uuid('role_id').notNull(),
    disabledAt: instant('disabled_at'),
    /** How this person likes the desk: columns of the sheet. */
    desk: jsonb('desk').$type<DeskPreferences>().notNull().default({}),
    /** The hints this person put away, by the pages of the guide they are of; `all`: every one. */
    hintsAway: jsonb('hints_away').$type<readonly string[]>().notNull().default([]),
    /** How this person likes each list: its columns, and views of it by name. */
    lists: jsonb('lists').$type<Readonly<Record<string, ListPreferences>>>().notNull().default({}),
    createdAt: instant('created_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    foreignKey({ columns: [t.companyId, t.roleId], foreignColumns: [role.companyId, role.id] }),
    uniqueIndex('app_user_person').on(t.companyId, t.personId),
    index('app_user_of_person').on(t.personId),
  ],
);

/** Somebody was asked to join: by mail, with a link for a while. */
export const invitation = pgTable(
  'invitation',
  {
    companyId: companyId(),
    id: id(),
    email: text('email').notNull(),
    name: text('name').notNull(),
    roleId: uuid('role_id').notNull(),
    tokenHash: text('token_hash').notNull(),
    /** The token itself, sealed, so that who invited can hand the link over by hand. */
    sealed: text('sealed').notNull(),
    invitedBy: uuid('invited_by').notNull(),
    invitedAt: instant('invited_at').notNull(),
    expiresAt: instant('expires_at').notNull(),
    revokedAt: instant('revoked_at'),
    acceptedAt: instant('accepted_at'),
    userId: uuid('user_id'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.roleId], foreignColumns: [role.companyId, role.id] }),
    foreignKey({ columns: [t.companyId, t.invitedBy], foreignColumns: [user.companyId, user.id] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
    unique('invitation_token').on(t.tokenHash),
    // One address is asked once at a time.
    uniqueIndex('invitation_open')
      .on(t.companyId, sql`lower(${t.email})`)
      .where(sql`${t.acceptedAt} is null and ${t.revokedAt} is null`),
  ],
);

/** A signed-in browser. Only the hash of its token is kept; revoking it ends it at once. */
export const session = pgTable(
  'session',
  {
    companyId: companyId(),
    id: id(),
    userId: uuid('user_id').notNull(),
    tokenHash: text('token_hash').notNull(),
    browser: text('browser').notNull(),
    /** The network address it was opened from. */
    origin: text('origin').notNull().default(''),
    createdAt: instant('created_at').notNull(),
    lastSeenAt: instant('last_seen_at').notNull(),
    expiresAt: instant('expires_at').notNull(),
    revokedAt: instant('revoked_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
    unique('session_token').on(t.tokenHash),
  ],
);

/**
 * A letter about a person's way in, of no company. The server keeps it sealed and cannot read it back: whoever can set a
 * password by such a letter can be that person.
 */
export const accountLetter = pgTable('account_letter', {
  id: id().primaryKey(),
  toAddress: text('to_address').notNull(),
  subject: text('subject').notNull(),
  sealed: text('sealed').notNull(),
  state: text('state', { enum: letterStates }).notNull(),
  note: text('note').notNull().default(''),
  tries: integer('tries').notNull().default(0),
  at: instant('at').notNull(),
});

/** Failed tries at a door, by what was tried; for limiting them. Belongs to no company: the door is before the company. */
export const attempt = pgTable(
  'attempt',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    bucket: text('bucket').notNull(),
    at: instant('at').notNull(),
  },
  (t) => [index('attempt_bucket').on(t.bucket, t.at)],
);

/** Who did what, when; append-only. */
export const audit = pgTable(
  'audit',
  {
    companyId: companyId(),
    id: id(),
    at: instant('at').notNull(),
    userId: uuid('user_id'),
    act: text('act').notNull(),
    subject: uuid('subject').notNull(),
    detail: jsonb('detail').$type<Record<string, unknown>>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    index('audit_subject').on(t.companyId, t.subject, t.at),
    index('audit_at').on(t.companyId, t.at),
    index('audit_act').on(t.companyId, t.act),
  ],
);
