import Type from 'typebox';
import { Dimension } from './measure';
import { Identifier, PartId, ShortText } from './scalars';

/* Plans that are measured on: a kept picture, its scale, and what was traced on it. */

const closed = { additionalProperties: false } as const;

/** Largest side of a plan, in tenths of a pixel. */
export const LARGEST_PLAN = 200_000;

export const PlanPoint = Type.Array(Type.Integer({ minimum: 0, maximum: LARGEST_PLAN }), {
  minItems: 2,
  maxItems: 2,
  description: 'Across and down from the top left corner, in tenths of a pixel of the picture',
});
export type PlanPoint = Type.Static<typeof PlanPoint>;

export const PlanFigure = Type.Object(
  {
    points: Type.Array(PlanPoint, { minItems: 1, maxItems: 400 }),
    cut: Type.Optional(Type.Literal(true, { description: 'An outline that is taken off the area' })),
  },
  closed,
);
export type PlanFigure = Type.Static<typeof PlanFigure>;

/** A quantity that was traced: outlines make an area, runs a length, marks a count. */
export const Traced = Type.Object(
  {
    id: PartId,
    name: Type.Unsafe<string>({ ...Identifier, description: 'In formulas; an area also gives NAME_edge' }),
    label: ShortText,
    kind: Type.Union([Type.Literal('area'), Type.Literal('length'), Type.Literal('count')]),
    figures: Type.Array(PlanFigure, { maxItems: 400 }),
  },
  closed,
);
export type Traced = Type.Static<typeof Traced>;

export const Plan = Type.Object(
  {
    id: PartId,
    name: ShortText,
    file: Type.String({ format: 'uuid', description: 'The kept picture' }),
    width: Type.Integer({ minimum: 1, maximum: LARGEST_PLAN, description: 'Tenths of a pixel' }),
    height: Type.Integer({ minimum: 1, maximum: LARGEST_PLAN, description: 'Tenths of a pixel' }),
    scale: Type.Optional(
      Type.Object(
        { from: PlanPoint, to: PlanPoint, length: Dimension },
        { ...closed, description: 'Two points and the length between them' },
      ),
    ),
    traced: Type.Array(Traced, { maxItems: 200 }),
    shown: Type.Optional(
      Type.Literal(true, { description: 'The customer sees the plan with what was traced on it' }),
    ),
  },
  closed,
);
export type Plan = Type.Static<typeof Plan>;
