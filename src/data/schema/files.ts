import { sql } from 'drizzle-orm';
import { check, foreignKey, index, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { company, user } from './accounts';
import { bytea, companyId, id, instant } from './columns';

/** A picture that is kept: a plan to measure on, or what an item looks like. Never changed, only replaced. */
export const keptFile = pgTable(
  'kept_file',
  {
    companyId: companyId(),
    id: id(),
    kind: text('kind', { enum: ['plan', 'picture'] }).notNull(),
    name: text('name').notNull(),
    mediaType: text('media_type', { enum: ['image/png', 'image/jpeg'] }).notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    bytes: bytea('bytes').notNull(),
    /** The same in small, as WebP, for shelves and lists. */
    small: bytea('small').notNull(),
    sha256: text('sha256').notNull(),
    userId: uuid('user_id'),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
    check('kept_file_kind', sql`${t.kind} in ('plan', 'picture')`),
    check('kept_file_size', sql`${t.width} > 0 and ${t.height} > 0 and octet_length(${t.bytes}) <= 10485760`),
    index('kept_file_same').on(t.companyId, t.sha256),
  ],
);
