import { check, foreignKey, index, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import { sql } from 'drizzle-orm';
import { cardEventKinds } from '@/core/billing/cards';
import { companyId, decimal, id, instant } from './columns';
import { invoice } from './money';

/** What the card service and the company sign their messages with. */
export const cardAccount = pgTable(
  'card_account',
  {
    companyId: companyId(),
    secret: text('secret')
      .notNull()
      .default(sql`replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '')`),
  },
  (t) => [primaryKey({ columns: [t.companyId] })],
);

/** A payment by card that was asked for, kept under its key, so that a repeat takes nothing twice. Append-only. */
export const cardCharge = pgTable(
  'card_charge',
  {
    companyId: companyId(),
    id: id(),
    invoiceId: uuid('invoice_id').notNull(),
    idempotencyKey: text('idempotency_key').notNull(),
    amount: decimal('amount').notNull(),
    lastFour: text('last_four').notNull(),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.invoiceId], foreignColumns: [invoice.companyId, invoice.id] }),
    unique('card_charge_key').on(t.companyId, t.idempotencyKey),
    index('card_charge_invoice').on(t.companyId, t.invoiceId),
  ],
);

/** What the card service said about a charge, each thing once, in whatever order it came. Append-only. */
export const cardEvent = pgTable(
  'card_event',
  {
    companyId: companyId(),
    /** The identity the service gave it. */
    id: text('id').notNull(),
    chargeId: uuid('charge_id').notNull(),
    kind: text('kind', { enum: cardEventKinds }).notNull(),
    reason: text('reason'),
    /** When it happened at the service. */
    at: instant('at').notNull(),
    receivedAt: instant('received_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.chargeId], foreignColumns: [cardCharge.companyId, cardCharge.id] }),
    index('card_event_charge').on(t.companyId, t.chargeId),
    check(
      'card_event_kind',
      sql`${t.kind} in ('accepted', 'refused', 'needs confirmation', 'delayed', 'disputed', 'dispute won', 'dispute lost')`,
    ),
  ],
);
