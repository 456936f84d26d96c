import { sql } from 'drizzle-orm';
import {
  check,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core';
import type {
  CostPart,
  Crew,
  LibraryChangeEntry,
  Load,
  PriceBreaks,
  ProposalDocument,
  Recipe,
  UnitCode,
} from '@/model';
import { company, user } from './accounts';
import { bytea, companyId, decimal, id, instant } from './columns';
import { keptFile } from './files';

export const labourRate = pgTable(
  'labour_rate',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    normal: decimal('normal').notNull(),
    overtime: decimal('overtime').notNull(),
    day: decimal('day'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    check('labour_rate_positive', sql`${t.normal} >= 0 and ${t.overtime} >= ${t.normal}`),
    check('labour_rate_day', sql`${t.day} >= 0`),
  ],
);

/** People of several rates and equipment by the hour that work together. */
export const crew = pgTable(
  'crew',
  {
    companyId: companyId(),
    id: id(),
    name: text('name').notNull(),
    people: jsonb('people').$type<Crew['people']>().notNull(),
    equipment: jsonb('equipment').$type<Crew['equipment']>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    unique('crew_name').on(t.companyId, t.name),
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
    /** Percent of material ordered beyond what is measured. */
    waste: decimal('waste'),
    pack: decimal('pack'),
    minimumCharge: decimal('minimum_charge'),
    breaks: jsonb('breaks').$type<PriceBreaks>(),
    /** Markup of its own, instead of the proposal's. */
    loads: jsonb('loads').$type<Load[]>(),
    picture: uuid('picture'),
    supplierNote: text('supplier_note').notNull().default(''),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull(),
    /** Everything a search looks at, in small letters. */
    searchText: text('search_text').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    foreignKey({ columns: [t.companyId, t.picture], foreignColumns: [keptFile.companyId, keptFile.id] }),
    unique('item_code').on(t.companyId, t.code),
    index('item_search').using('gin', t.companyId, sql`${t.searchText} gin_trgm_ops`),
  ],
);

/** What an item cost until when: one row each time its cost changed. */
export const itemCost = pgTable(
  'item_cost',
  {
    companyId: companyId(),
    id: id(),
    itemId: uuid('item_id').notNull(),
    at: instant('at').notNull(),
    userId: uuid('user_id'),
    why: text('why').notNull(),
    before: jsonb('before').$type<CostPart[]>().notNull(),
    after: jsonb('after').$type<CostPart[]>().notNull(),
    unitBefore: decimal('unit_before').notNull(),
    unitAfter: decimal('unit_after').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.itemId], foreignColumns: [item.companyId, item.id] }),
    index('item_cost_item').on(t.companyId, t.itemId, t.at),
  ],
);

/** A change made to several entries of the library at once, with what each had before and after: it can be taken back once. */
export const libraryChange = pgTable(
  'library_change',
  {
    companyId: companyId(),
    id: id(),
    at: instant('at').notNull(),
    userId: uuid('user_id').notNull(),
    says: text('says').notNull(),
    field: text('field').notNull(),
    entries: jsonb('entries').$type<LibraryChangeEntry[]>().notNull(),
    undoneAt: instant('undone_at'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    index('library_change_at').on(t.companyId, t.at),
  ],
);

/** Parts sized together; the recipe names items and other bundles by their ids. */
export const bundle = pgTable(
  'bundle',
  {
    companyId: companyId(),
    id: id(),
    code: text('code').notNull(),
    name: text('name').notNull(),
    detail: text('detail').notNull().default(''),
    trade: text('trade').notNull(),
    tags: text('tags').array().notNull().default([]),
    internalNote: text('internal_note').notNull().default(''),
    shows: text('shows', { enum: ['one', 'parts'] }).notNull(),
    recipe: jsonb('recipe').$type<Recipe>().notNull(),
    picture: uuid('picture'),
    /** Counts up with each save, so that a copy in a proposal knows whether it is behind. */
    edition: integer('edition').notNull().default(1),
    retiredAt: instant('retired_at'),
    createdAt: instant('created_at').notNull(),
    updatedAt: instant('updated_at').notNull(),
    /** Everything a search looks at, the words of its parts included. */
    searchText: text('search_text').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    foreignKey({ columns: [t.companyId, t.picture], foreignColumns: [keptFile.companyId, keptFile.id] }),
    unique('bundle_code').on(t.companyId, t.code),
    check('bundle_edition', sql`${t.edition} > 0`),
    index('bundle_search').using('gin', t.companyId, sql`${t.searchText} gin_trgm_ops`),
  ],
);

/** Which items and bundles a bundle's recipe names; follows from the recipe. */
export const bundleUse = pgTable(
  'bundle_use',
  {
    companyId: companyId(),
    bundleId: uuid('bundle_id').notNull(),
    usedId: uuid('used_id').notNull(),
    itemId: uuid('item_id'),
    innerId: uuid('inner_id'),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.bundleId, t.usedId] }),
    foreignKey({ columns: [t.companyId, t.bundleId], foreignColumns: [bundle.companyId, bundle.id] }),
    foreignKey({ columns: [t.companyId, t.itemId], foreignColumns: [item.companyId, item.id] }),
    foreignKey({ columns: [t.companyId, t.innerId], foreignColumns: [bundle.companyId, bundle.id] }),
    check(
      'bundle_use_one',
      sql`(${t.itemId} is null) <> (${t.innerId} is null) and ${t.usedId} = coalesce(${t.itemId}, ${t.innerId})`,
    ),
    index('bundle_use_used').on(t.companyId, t.usedId),
  ],
);

/** The words of the library, for forgiving a typing error: letters only, kept by the database itself as rows come in. */
export const libraryWord = pgTable(
  'library_word',
  { companyId: companyId(), word: text('word').notNull() },
  (t) => [
    primaryKey({ columns: [t.companyId, t.word] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
  ],
);

/** How often an item or bundle was taken into sections of a kind, and when last. */
export const libraryUse = pgTable(
  'library_use',
  {
    companyId: companyId(),
    usedId: uuid('used_id').notNull(),
    sectionKind: text('section_kind').notNull(),
    count: integer('count').notNull(),
    lastAt: instant('last_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.sectionKind, t.usedId] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
  ],
);

/** What a person wants at hand. */
export const libraryStar = pgTable(
  'library_star',
  { companyId: companyId(), userId: uuid('user_id').notNull(), starredId: uuid('starred_id').notNull() },
  (t) => [
    primaryKey({ columns: [t.companyId, t.userId, t.starredId] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
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

/** A file that waits to be taken into the library: looked at first, then applied or dropped. Gone when done. */
export const libraryImport = pgTable(
  'library_import',
  {
    companyId: companyId(),
    id: id(),
    userId: uuid('user_id').notNull(),
    at: instant('at').notNull(),
    fileName: text('file_name').notNull(),
    bytes: bytea('bytes').notNull(),
    /** Names the headings, so that their matching is known next time. */
    source: text('source').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.id] }),
    foreignKey({ columns: [t.companyId, t.userId], foreignColumns: [user.companyId, user.id] }),
  ],
);

/** How the columns of a source were matched last. */
export const importMatching = pgTable(
  'import_matching',
  {
    companyId: companyId(),
    source: text('source').notNull(),
    matching: jsonb('matching').$type<(string | null)[]>().notNull(),
    at: instant('at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.source] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
  ],
);

/** What work costs by where it is done, by the beginning of the postcode. */
export const areaFactor = pgTable(
  'area_factor',
  {
    companyId: companyId(),
    prefix: text('prefix').notNull(),
    name: text('name').notNull(),
    material: decimal('material').notNull(),
    labour: decimal('labour').notNull(),
    equipment: decimal('equipment').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.companyId, t.prefix] }),
    foreignKey({ columns: [t.companyId], foreignColumns: [company.id] }),
    check('area_factor_positive', sql`${t.material} > 0 and ${t.labour} > 0 and ${t.equipment} > 0`),
  ],
);
