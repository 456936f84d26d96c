import Type from 'typebox';
import { PricedItem, jobFields } from './priced';
import { DecimalText, FormulaText, Identifier, PartId, PositiveDecimalText, ShortText } from './scalars';

/*
 * A bundle: parts sized together by inputs and a grade. In a proposal it is a copy with everything it needs, so that a
 * later change of the library does not move it.
 */

const closed = { additionalProperties: false } as const;

export const BundleInput = Type.Object(
  {
    name: Identifier,
    label: ShortText,
    kind: Type.Union([
      Type.Literal('number'),
      Type.Literal('length'),
      Type.Literal('area'),
      Type.Literal('count'),
      Type.Literal('yesno'),
      Type.Literal('oneof'),
    ]),
    default: Type.String({
      maxLength: 200,
      description: 'What stands where nothing is typed: a quantity, yes or no, or one of the options',
    }),
    fromSpace: Type.Optional(
      Type.String({
        minLength: 1,
        maxLength: 500,
        description: 'A formula over the section’s space, used where the section has one',
      }),
    ),
    minimum: Type.Optional(DecimalText),
    maximum: Type.Optional(DecimalText),
    options: Type.Optional(Type.Array(ShortText, { minItems: 1, maxItems: 30 })),
    help: Type.Optional(Type.String({ maxLength: 500 })),
  },
  closed,
);
export type BundleInput = Type.Static<typeof BundleInput>;

export const Grade = Type.Object(
  { id: PartId, name: ShortText, detail: Type.Optional(Type.String({ maxLength: 2000 })) },
  closed,
);
export type Grade = Type.Static<typeof Grade>;

const partFields = {
  id: PartId,
  name: Identifier,
  when: Type.Optional(
    Type.String({ minLength: 1, maxLength: 500, description: 'The part is there only where this holds' }),
  ),
};

export const ItemPart = Type.Object(
  {
    ...partFields,
    item: Type.Union([PartId, Type.Null()], {
      description: 'Key of the item; null: only in grades that name one',
    }),
    quantity: FormulaText,
    grades: Type.Optional(
      Type.Record(PartId, Type.Union([PartId, Type.Null()]), {
        maxProperties: 12,
        description: 'By grade: the item that stands instead, or null where the part is dropped',
      }),
    ),
  },
  closed,
);
export type ItemPart = Type.Static<typeof ItemPart>;

export const BundlePart = Type.Object(
  {
    ...partFields,
    bundle: PartId,
    values: Type.Record(Identifier, FormulaText, { maxProperties: 60 }),
    grade: Type.Optional(
      Type.String({ maxLength: 64, description: 'Else the outer grade, where it has one so named' }),
    ),
    times: Type.Optional(FormulaText),
  },
  closed,
);
export type BundlePart = Type.Static<typeof BundlePart>;

export const Recipe = Type.Object(
  {
    inputs: Type.Array(BundleInput, { maxItems: 40 }),
    grades: Type.Array(Grade, { maxItems: 8 }),
    parts: Type.Array(Type.Union([ItemPart, BundlePart]), { maxItems: 300 }),
  },
  closed,
);
export type Recipe = Type.Static<typeof Recipe>;

/** What differs in one part on one job. */
export const PartChange = Type.Object(
  {
    out: Type.Optional(Type.Literal(true)),
    description: Type.Optional(ShortText),
    quantity: Type.Optional(FormulaText),
    typedCost: Type.Optional(DecimalText),
    heldPrice: Type.Optional(DecimalText),
    shapedPrice: Type.Optional(PositiveDecimalText),
    overtime: Type.Optional(Type.Boolean()),
    item: Type.Optional(PricedItem),
    ...jobFields,
  },
  closed,
);
export type PartChange = Type.Static<typeof PartChange>;

/** What a bundle is made of, wherever it stands: its recipe, the recipes within it, and the items they name. */
export const bundleMakeup = {
  recipe: Recipe,
  within: Type.Record(PartId, Type.Object({ name: ShortText, recipe: Recipe }, closed), {
    maxProperties: 40,
    description: 'Recipes of nested bundles, at any depth, by key',
  }),
  items: Type.Record(PartId, PricedItem, {
    maxProperties: 1000,
    description: 'Items the parts name, by key',
  }),
} as const;
export const BundleMakeup = Type.Object(bundleMakeup, closed);
export type BundleMakeup = Type.Static<typeof BundleMakeup>;
