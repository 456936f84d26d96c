import { sql } from 'drizzle-orm';
import { date, index, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { companyId, decimal } from './columns';

/*
 * Sums that the database keeps itself, by triggers on what is append-only, in the transaction that adds to it; nobody else can
 * write them. They are there so that the money page need not add up everything that was ever billed.
 */

/** What is open of each invoice. */
export const invoiceOpen = pgTable(
  'invoice_open',
  {
    companyId: companyId(),
    invoiceId: uuid('invoice_id').notNull(),
    agreementId: uuid('agreement_id').notNull(),
    dueOn: date('due_on').notNull(),
    open: decimal('open').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.invoiceId] }),
    index('invoice_open_due')
      .on(t.companyId, t.dueOn)
      .where(sql`${t.open} > 0`),
    index('invoice_open_agreement')
      .on(t.companyId, t.agreementId)
      .where(sql`${t.open} <> 0`),
  ],
);

/** Of each agreement: billed by whatever path (what is held back in it), what is held, and credit that is on no invoice. */
export const agreementMoney = pgTable(
  'agreement_money',
  {
    companyId: companyId(),
    agreementId: uuid('agreement_id').notNull(),
    billed: decimal('billed').notNull().default('0'),
    held: decimal('held').notNull().default('0'),
    credit: decimal('credit').notNull().default('0'),
  },
  (t) => [primaryKey({ columns: [t.companyId, t.agreementId] })],
);
