import { sql } from 'drizzle-orm';
import {
  bigserial,
  boolean,
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
import type {
  Address,
  CompanyMoney,
  CompanyPricing,
  DeskPreferences,
  ListPreferences,
  UsualTerms,
} from '@/model';
import { companyId, id, instant } from './columns';

export type { Address };

/** The contractor that uses the installation. */
export const company = pgTable('company', {
  id: id().primaryKey(),
  name: text('name').notNull(),
  address: jsonb('address').$type<Address>().notNull(),
  email: text('email').notNull(),
  phone: text('phone').notNull(),
  taxNumber: text('tax_number').notNull(),
  currency: text('currency').notNull(),
  timeZone: text('time_zone').notNull(),
  depositInvoiceOnAcceptance: boolean('deposit_invoice_on_acceptance').notNull().default(true),
  validityDays: integer('validity_days').notNull().default(30),
  paymentDays: integer('payment_days').notNull().default(14),
  usual: jsonb('usual').$type<UsualTerms>().notNull(),
  /** Markup levels by name, and what is not sold without the owner's yes. */
  pricing: jsonb('pricing').$type<CompanyPricing>().notNull().default({ loadSets: [], limits: {} }),
  /** Payment presets, and the law and habits of asking for money. */
  money: jsonb('money').$type<CompanyMoney>().notNull().default({ presets: [] }),
  createdAt: instant('created_at').notNull(),
});

export const user = pgTable(
  'app_user',
  {
    companyId: companyId(),
    id: id(),
    email: text('email').notNull(),
    name: text('name').notNull(),
    role: text('role', { enum: ['owner', 'seller', 'office'] }).notNull(),
    passwordHash: text('password_hash').notNull(),
    disabledAt: instant('disabled_at'),
    /** How this person likes the desk: columns of the sheet. */
    desk: jsonb('desk').$type<DeskPreferences>().notNull().default({}),
    /** How this person likes each list: its columns, and views of it by name. */
    lists: jsonb('lists').$type<Readonly<Record<string, ListPreferences>>>().notNull().default({}),
    createdAt: instant('created_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    uniqueIndex('app_user_email').on(sql`lower(${t.email})`),
    check('app_user_role', sql`${t.role} in ('owner', 'seller', 'office')`),
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
  ],
);
