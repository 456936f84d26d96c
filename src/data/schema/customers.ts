import {
  boolean,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import type { Address } from './accounts';
import { company } from './accounts';
import { companyId, id, instant } from './columns';

export const customer = pgTable(
  'customer',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    contactName: text('contact_name').notNull().default(''),
    email: text('email').notNull().default(''),
    phone: text('phone').notNull().default(''),
    billing: jsonb('billing').$type<Address>().notNull(),
    internalNote: text('internal_note').notNull().default(''),
    /** Our note is shown before work starts. */
    alert: boolean('alert').notNull().default(false),
    /** Why no tax is charged; empty: it is. */
    taxExempt: text('tax_exempt').notNull().default(''),
    /** When what is known of them as a person was removed; their signed papers and invoices stay. */
    forgottenAt: instant('forgotten_at'),
    createdAt: instant('created_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    index('customer_name').on(t.companyId, t.name),
  ],
);

/** Somebody of a customer beside the one we speak with. */
export const customerPerson = pgTable(
  'customer_person',
  {
    companyId: companyId(),
    id: id(),
    customerId: uuid('customer_id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    role: text('role').notNull().default(''),
    email: text('email').notNull().default(''),
    phone: text('phone').notNull().default(''),
    /** Letters about proposals go to them, and about invoices. */
    getsOffers: boolean('gets_offers').notNull().default(false),
    getsInvoices: boolean('gets_invoices').notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.customerId, t.id] }),
    foreignKey({ columns: [t.companyId, t.customerId], foreignColumns: [customer.companyId, customer.id] }),
  ],
);

/** An address where work happens. */
export const site = pgTable(
  'site',
  {
    companyId: companyId(),
    id: id(),
    customerId: uuid('customer_id').notNull(),
    address: jsonb('address').$type<Address>().notNull(),
    internalNote: text('internal_note').notNull().default(''),
    createdAt: instant('created_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.customerId], foreignColumns: [customer.companyId, customer.id] }),
    index('site_customer').on(t.companyId, t.customerId),
  ],
);
