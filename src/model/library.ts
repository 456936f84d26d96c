import Type from 'typebox';
import { CostPart } from './document';
import { PartId, PositiveDecimalText } from './scalars';
import type { UnitCode } from './units';
import { unitCodes } from './units';

const closed = { additionalProperties: false } as const;

/** What an item is made of. */
export const ItemInput = Type.Object(
  {
    code: Type.String({ minLength: 1, maxLength: 40 }),
    name: Type.String({ minLength: 1, maxLength: 200 }),
    detail: Type.String({ maxLength: 2000 }),
    trade: Type.String({ minLength: 1, maxLength: 60 }),
    unit: Type.Unsafe<UnitCode>({ type: 'string', enum: [...unitCodes] }),
    costs: Type.Array(CostPart, { maxItems: 20 }),
    taxClass: PartId,
    costCode: Type.String({ maxLength: 40 }),
    tags: Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { maxItems: 20 }),
    internalNote: Type.String({ maxLength: 2000 }),
  },
  closed,
);
export type ItemInput = Type.Static<typeof ItemInput>;

/** A library item as the desk knows it. */
export type LibraryItem = Omit<ItemInput, 'internalNote'> & { readonly id: string };

export const RateInput = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 100 }),
    normal: PositiveDecimalText,
    overtime: PositiveDecimalText,
  },
  closed,
);
