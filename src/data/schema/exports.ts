import { sql } from 'drizzle-orm';
import {
  check,
  date,
  foreignKey,
  integer,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import { companyId, id, instant } from './columns';

/** What went to the accountant at one time. Append-only: made again, its files are the same. */
export const exportBatch = pgTable(
  'export_batch',
  {
    companyId: companyId(),
    id: id(),
    number: integer('number').notNull(),
    from: date('from_day').notNull(),
    to: date('to_day').notNull(),
    madeBy: uuid('made_by').notNull(),
    madeAt: instant('made_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    unique('export_batch_number').on(t.companyId, t.number),
    check('export_batch_range', sql`${t.from} <= ${t.to}`),
  ],
);

/** One thing in a batch: an invoice or credit note, a payment, one that went back, a refund. In one batch only. */
export const exportItem = pgTable(
  'export_item',
  {
    companyId: companyId(),
    kind: text('kind', { enum: ['invoice', 'payment', 'reversal', 'refund'] }).notNull(),
    subject: uuid('subject').notNull(),
    batchId: uuid('batch_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.kind, t.subject] }),
    foreignKey({
      columns: [t.companyId, t.batchId],
      foreignColumns: [exportBatch.companyId, exportBatch.id],
    }),
  ],
);
