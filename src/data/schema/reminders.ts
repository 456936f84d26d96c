import { foreignKey, index, integer, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import { companyId, id, instant } from './columns';
import { invoice } from './money';

/** A reminder that went out: each step once for an invoice. Append-only. */
export const reminder = pgTable(
  'reminder',
  {
    companyId: companyId(),
    id: id(),
    invoiceId: uuid('invoice_id').notNull(),
    /** The step of the company's reminders, and the days after the due date it stands for. */
    step: text('step').notNull(),
    days: integer('days').notNull(),
    subject: text('subject').notNull(),
    /** Null: it went out by itself. */
    sentBy: uuid('sent_by'),
    sentAt: instant('sent_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    unique('reminder_once').on(t.companyId, t.invoiceId, t.step),
    index('reminder_invoice').on(t.companyId, t.invoiceId),
  ],
);
