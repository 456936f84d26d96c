import { sql } from 'drizzle-orm';
import { check, date, foreignKey, index, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import type { CostType } from '@/model';
import { agreement, agreementLine, agreementStage } from './agreements';
import { companyId, decimal, id, instant } from './columns';
import { invoice } from './money';

/** What a job cost us: against an agreed line, a stage or a cost code. Append-only; a mistake is taken back by its negative. */
export const costEntry = pgTable(
  'cost_entry',
  {
    companyId: companyId(),
    id: id(),
    agreementId: uuid('agreement_id').notNull(),
    lineId: text('line_id'),
    stage: text('stage'),
    costCode: text('cost_code'),
    costType: text('cost_type').$type<CostType>().notNull(),
    what: text('what').notNull(),
    supplier: text('supplier').notNull().default(''),
    /** Of labour by the hour. */
    hours: decimal('hours'),
    rate: decimal('rate'),
    amount: decimal('amount').notNull(),
    spentOn: date('spent_on').notNull(),
    /** The entry it takes back. */
    takesBack: uuid('takes_back'),
    /** What it was sent with, so that a repeat is not counted twice. */
    idempotencyKey: text('idempotency_key').notNull(),
    recordedBy: uuid('recorded_by').notNull(),
    recordedAt: instant('recorded_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({
      columns: [t.companyId, t.agreementId],
      foreignColumns: [agreement.companyId, agreement.id],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.lineId],
      foreignColumns: [agreementLine.companyId, agreementLine.agreementId, agreementLine.lineId],
    }),
    foreignKey({
      columns: [t.companyId, t.agreementId, t.stage],
      foreignColumns: [agreementStage.companyId, agreementStage.agreementId, agreementStage.name],
    }),
    foreignKey({ columns: [t.companyId, t.takesBack], foreignColumns: [t.companyId, t.id] }),
    unique('cost_entry_key').on(t.companyId, t.idempotencyKey),
    unique('cost_entry_taken_back').on(t.companyId, t.takesBack),
    index('cost_entry_agreement').on(t.companyId, t.agreementId),
    check('cost_entry_something', sql`${t.amount} <> 0`),
    check('cost_entry_hours', sql`(${t.hours} is null) = (${t.rate} is null)`),
  ],
);

/** The invoice a cost is billed with, where somebody wants to see them together. */
export const costInvoice = pgTable(
  'cost_invoice',
  {
    companyId: companyId(),
    costId: uuid('cost_id').notNull(),
    invoiceId: uuid('invoice_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.costId] }),
    foreignKey({ columns: [t.companyId, t.costId], foreignColumns: [costEntry.companyId, costEntry.id] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    index('cost_invoice_invoice').on(t.companyId, t.invoiceId),
  ],
);
