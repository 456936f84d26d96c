import Type from 'typebox';
import { raisableTypes } from './costTypes';
import { Load } from './priced';
import { PartId, PercentText, PositiveDecimalText, Unit } from './scalars';

const closed = { additionalProperties: false } as const;
const oneOf = <T extends string>(values: readonly T[]) =>
  Type.Unsafe<T>({ type: 'string', enum: [...values] });

/** Texts of an entry of the library: words in them are put in place of others, or the whole is. */
export const severalTexts = ['name', 'code', 'detail', 'internalNote', 'supplierNote'] as const;
const tags = Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { maxItems: 20 });

/** One change of several entries of the library at once. */
export const SeveralChange = Type.Union([
  Type.Object(
    {
      field: oneOf(severalTexts),
      find: Type.String({ maxLength: 200, description: 'Empty: the whole text' }),
      put: Type.String({ maxLength: 2000 }),
    },
    closed,
  ),
  Type.Object({ field: oneOf(['trade', 'costCode']), set: Type.String({ maxLength: 60 }) }, closed),
  Type.Object({ field: Type.Literal('unit'), set: Unit }, closed),
  Type.Object({ field: Type.Literal('taxClass'), set: PartId }, closed),
  Type.Object({ field: Type.Literal('waste'), set: Type.Union([PercentText, Type.Null()]) }, closed),
  Type.Object(
    { field: oneOf(['pack', 'minimumCharge']), set: Type.Union([PositiveDecimalText, Type.Null()]) },
    closed,
  ),
  Type.Object({ field: Type.Literal('tags'), add: tags, drop: tags }, closed),
  Type.Object(
    {
      field: Type.Literal('costs'),
      percent: Type.String({ pattern: '^-?\\d{1,2}(\\.\\d{1,4})?$' }),
      costTypes: Type.Array(oneOf(raisableTypes), { minItems: 1, maxItems: 4 }),
    },
    closed,
  ),
  Type.Object(
    {
      field: Type.Literal('loads'),
      set: Type.Union([Type.Array(Load, { minItems: 1, maxItems: 12 }), Type.Null()], {
        description: 'Null: as the proposal has it',
      }),
    },
    closed,
  ),
  Type.Object({ field: oneOf(['breaks', 'picture']), set: Type.Null() }, closed),
]);
export type SeveralChange = Type.Static<typeof SeveralChange>;
export type SeveralField = SeveralChange['field'];

/** Which entries: some by their ids, or all that a list of the library shows. */
export const SeveralWhich = Type.Union([
  Type.Object({ ids: Type.Array(Type.String({ format: 'uuid' }), { minItems: 1, maxItems: 1000 }) }, closed),
  Type.Object(
    {
      list: Type.Record(Type.String({ maxLength: 40 }), Type.String({ maxLength: 400 }), {
        maxProperties: 40,
      }),
    },
    closed,
  ),
]);
export type SeveralWhich = Type.Static<typeof SeveralWhich>;

export const SeveralInput = Type.Object(
  {
    which: SeveralWhich,
    change: SeveralChange,
    seen: Type.Optional(
      Type.String({ maxLength: 64, description: 'What was looked at: nothing else is changed' }),
    ),
  },
  closed,
);

/** What one entry had of a field before a change of several, and after; null where it had none. */
export interface LibraryChangeEntry {
  readonly kind: 'item' | 'bundle';
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}
