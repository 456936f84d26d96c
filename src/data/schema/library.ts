import { sql } from 'drizzle-orm';
import { check, foreignKey, index, jsonb, pgTable, primaryKey, text, unique } from 'drizzle-orm/pg-core';
import type { CostPart, ProposalDocument, UnitCode } from '@/model';
import { company } from './accounts';
import { companyId, decimal, id, instant } from './columns';

export const labourRate = pgTable(
  'labour_rate',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    normal: decimal('normal').notNull(),
    overtime: decimal('overtime').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    check('labour_rate_positive', sql`${t.normal} >= 0 and ${t.overtime} >= ${t.normal}`),
  ],
);

/** One thing that can be priced. Labour in `costs` carries the rate it was last priced with. */
export const item = pgTable(
  'item',
  {
    companyId: companyId(),
    id: id(),
    code: text('code').notNull(),
    name: text('name').notNull(),
    detail: text('detail').notNull().default(''),
    trade: text('trade').notNull(),
    unit: text('unit').$type<UnitCode>().notNull(),
    costs: jsonb('costs').$type<CostPart[]>().notNull(),
    taxClass: text('tax_class').notNull(),
    costCode: text('cost_code').notNull().default(''),
    tags: text('tags').array().notNull().default([]),
    internalNote: text('internal_note').notNull().default(''),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull(),
    /** Everything a search looks at, in small letters. */
    searchText: text('search_text').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    unique('item_code').on(t.companyId, t.code),
    index('item_search').using('gin', t.companyId, sql`${t.searchText} gin_trgm_ops`),
  ],
);

export const template = pgTable(
  'template',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    about: text('about').notNull(),
    document: jsonb('document').$type<ProposalDocument>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    unique('template_name').on(t.companyId, t.name),
  ],
);
