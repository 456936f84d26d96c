import {
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
import type { Permission } from '@/model';
import { user } from './accounts';
import { companyId, id, instant } from './columns';

/**
 * What another program asks with, in the name of who gave it. Only the hash of the token is kept. It opens what it was given,
 * as far as who gave it may do that themselves at that moment.
 */
export const apiToken = pgTable(
  'api_token',
  {
    companyId: companyId(),
    id: id(),
    userId: uuid('user_id').notNull(),
    /** What the program is called. */
    name: text('name').notNull(),
    tokenHash: text('token_hash').notNull(),
    permissions: jsonb('permissions').$type<readonly Permission[]>().notNull(),
    createdAt: instant('created_at').notNull(),
    expiresAt: instant('expires_at').notNull(),
    revokedAt: instant('revoked_at'),
    lastUsedAt: instant('last_used_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
    unique('api_token_hash').on(t.tokenHash),
  ],
);

/**
 * Where news of what happens goes, for another program. Its secret signs what is sent; it is sealed, and shown once. Ended, it
 * stays: what was sent to it is known.
 */
export const webhook = pgTable(
  'webhook',
  {
    companyId: companyId(),
    id: id(),
    userId: uuid('user_id').notNull(),
    address: text('address').notNull(),
    /** Names of the news it gets. */
    events: jsonb('events').$type<readonly string[]>().notNull(),
    sealedSecret: text('sealed_secret').notNull(),
    createdAt: instant('created_at').notNull(),
    endedAt: instant('ended_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
  ],
);

/** One piece of news on its way: what happened to what, and nothing of what stands in it. */
export const webhookMessage = pgTable(
  'webhook_message',
  {
    companyId: companyId(),
    id: id(),
    webhookId: uuid('webhook_id').notNull(),
    event: text('event').notNull(),
    subject: text('subject').notNull(),
    at: instant('at').notNull(),
    state: text('state').$type<'waiting' | 'delivered' | 'failed' | 'held'>().notNull(),
    tries: integer('tries').notNull().default(0),
    /** What the other side said of it last. */
    note: text('note').notNull().default(''),
    settledAt: instant('settled_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.webhookId], foreignColumns: [webhook.companyId, webhook.id] }),
    index('webhook_message_of').on(t.companyId, t.webhookId, t.at),
  ],
);
