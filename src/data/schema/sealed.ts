import { pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { companyId } from './columns';

/**
 * The papers that are finished: an agreement, a change order, signed selections, an invoice, a batch of exports. Written by
 * the database itself when the transaction that made the paper ends; nothing more goes into a paper that is here.
 */
export const sealed = pgTable('sealed', { companyId: companyId(), paper: uuid('paper').notNull() }, (t) => [
  primaryKey({ columns: [t.companyId, t.paper] }),
]);
