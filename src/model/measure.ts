import Type from 'typebox';
import { positivePattern } from './patterns';
import { Identifier, PartId, PositiveDecimalText, ShortText } from './scalars';

const closed = { additionalProperties: false } as const;

/** A length as it is kept: feet, and what was typed where that says more. */
export const Dimension = Type.Object(
  {
    value: Type.String({ pattern: positivePattern, description: 'Feet' }),
    typed: Type.Optional(Type.String({ maxLength: 200, description: 'As it was typed: 12\' 6"' })),
  },
  closed,
);
export type Dimension = Type.Static<typeof Dimension>;

export const Opening = Type.Object(
  {
    id: PartId,
    name: ShortText,
    width: Dimension,
    height: Dimension,
    count: Type.Integer({ minimum: 1, maximum: 1000 }),
  },
  closed,
);
export type Opening = Type.Static<typeof Opening>;

/** The dimensions behind a section. */
export const Space = Type.Object(
  {
    shape: Type.Union([
      Type.Object({ kind: Type.Literal('rectangle'), length: Dimension, width: Dimension }, closed),
      Type.Object(
        {
          kind: Type.Literal('outline'),
          walk: Type.String({
            minLength: 1,
            maxLength: 500,
            description: 'Sides in order with the turn between them, r or l: 16 r 10 r 6 l 5 r 10 r 15',
          }),
        },
        closed,
      ),
      Type.Object(
        { kind: Type.Literal('traced'), measure: Identifier },
        { ...closed, description: 'Follows an area traced on a plan of the proposal' },
      ),
    ]),
    height: Type.Optional(Dimension),
    openings: Type.Array(Opening, { maxItems: 100 }),
  },
  closed,
);
export type Space = Type.Static<typeof Space>;

/** A room with a size: sections and lines that name it share the size. */
export const Room = Type.Object(
  {
    id: PartId,
    name: Type.String({ minLength: 1, maxLength: 60, description: 'As sections and lines name it' }),
    space: Space,
  },
  closed,
);
export type Room = Type.Static<typeof Room>;

/** A quantity by name that lines and bundles of the whole proposal can follow. */
export const Measure = Type.Object(
  {
    id: PartId,
    name: Identifier,
    kind: Type.Union([Type.Literal('length'), Type.Literal('area'), Type.Literal('count')]),
    value: PositiveDecimalText,
    typed: Type.Optional(Type.String({ maxLength: 200 })),
  },
  closed,
);
export type Measure = Type.Static<typeof Measure>;
