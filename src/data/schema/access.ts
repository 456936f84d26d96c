import { foreignKey, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
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
