import Type from 'typebox';
import { Recipe } from './bundle';
import { CostPart, Load, PriceBreaks } from './priced';
import { PartId, PercentText, PositiveDecimalText, Unit } from './scalars';

const closed = { additionalProperties: false } as const;

/** What an item is made of. */
export const ItemInput = Type.Object(
  {
    code: Type.String({ minLength: 1, maxLength: 40 }),
    name: Type.String({ minLength: 1, maxLength: 200 }),
    detail: Type.String({ maxLength: 2000 }),
    trade: Type.String({ minLength: 1, maxLength: 60 }),
    unit: Unit,
    costs: Type.Array(CostPart, { maxItems: 20 }),
    waste: Type.Optional(PercentText),
    pack: Type.Optional(PositiveDecimalText),
    minimumCharge: Type.Optional(PositiveDecimalText),
    breaks: Type.Optional(PriceBreaks),
    loads: Type.Optional(Type.Array(Load, { maxItems: 12 })),
    picture: Type.Optional(Type.String({ format: 'uuid', description: 'The kept picture' })),
    taxClass: PartId,
    costCode: Type.String({ maxLength: 40 }),
    tags: Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { maxItems: 20 }),
    internalNote: Type.String({ maxLength: 2000 }),
    supplierNote: Type.Optional(
      Type.String({ maxLength: 2000, description: 'Where it is bought, for us only' }),
    ),
  },
  closed,
);
export type ItemInput = Type.Static<typeof ItemInput>;

/** A library item as the desk knows it. */
export type LibraryItem = Omit<ItemInput, 'internalNote' | 'supplierNote'> & { readonly id: string };

export const RateInput = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 100 }),
    normal: PositiveDecimalText,
    overtime: PositiveDecimalText,
    day: Type.Optional(
      Type.Union([PositiveDecimalText, Type.Null()], { description: 'A whole day; null: none' }),
    ),
  },
  closed,
);

/** A crew: how many people of which rates, and equipment, each by the hour the crew works. */
export const CrewInput = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 100 }),
    people: Type.Array(
      Type.Object({ rateId: PartId, count: Type.Integer({ minimum: 1, maximum: 50 }) }, closed),
      { maxItems: 10 },
    ),
    equipment: Type.Array(
      Type.Object(
        { name: Type.String({ minLength: 1, maxLength: 100 }), perHour: PositiveDecimalText },
        closed,
      ),
      { maxItems: 20 },
    ),
  },
  closed,
);
export type CrewInput = Type.Static<typeof CrewInput>;
export type Crew = CrewInput & { readonly id: string };

/** A labour rate of the library. */
export type Rate = Type.Static<typeof RateInput> & { readonly id: string };

const Columns = Type.Array(Type.String({ maxLength: 40 }), { maxItems: 30 });

/** A list as a person keeps it: its address under a name. */
const ListView = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 60, pattern: '\\S' }),
    address: Type.String({ maxLength: 1000 }),
  },
  closed,
);
export type ListView = Type.Static<typeof ListView>;

/** How a person likes one list: its columns, and views of it by name. */
export const ListPreferences = Type.Object(
  {
    columns: Type.Optional(Columns),
    views: Type.Optional(Type.Array(ListView, { maxItems: 20 })),
  },
  closed,
);
export type ListPreferences = Type.Static<typeof ListPreferences>;

/** How a person likes the desk: columns of the sheet, low rows. Lists are kept beside them, each by itself. */
export const DeskPreferences = Type.Object(
  { columns: Type.Optional(Columns), compact: Type.Optional(Type.Boolean()) },
  closed,
);
export type DeskPreferences = Type.Static<typeof DeskPreferences>;

/**
 * A bundle of the library. Its recipe names library items and library bundles by their ids; a proposal takes a copy
 * with everything in it (`BundleMakeup`).
 */
export const BundleInLibrary = Type.Object(
  {
    code: Type.String({ minLength: 1, maxLength: 40 }),
    name: Type.String({ minLength: 1, maxLength: 200 }),
    detail: Type.String({ maxLength: 2000 }),
    trade: Type.String({ minLength: 1, maxLength: 60 }),
    tags: Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { maxItems: 20 }),
    internalNote: Type.String({ maxLength: 2000 }),
    shows: Type.Union([Type.Literal('one'), Type.Literal('parts')]),
    picture: Type.Optional(
      Type.Union([Type.String({ format: 'uuid' }), Type.Null()], {
        description: 'Absent: as it was; null: none',
      }),
    ),
    recipe: Recipe,
  },
  closed,
);
export type BundleInLibrary = Type.Static<typeof BundleInLibrary>;

/** A bundle that brings items the library has not yet: its parts name them by the keys they stand under here. */
export const BundleWithItems = Type.Object(
  {
    bundle: BundleInLibrary,
    items: Type.Record(PartId, ItemInput, { maxProperties: 300 }),
  },
  closed,
);
export type BundleWithItems = Type.Static<typeof BundleWithItems>;

/** A bundle of the library as the desk knows it. */
export type LibraryBundle = BundleInLibrary & { readonly id: string; readonly edition: number };
