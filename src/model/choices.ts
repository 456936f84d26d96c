import Type from 'typebox';
import { PartId, PositiveDecimalText } from './scalars';

/** What the customer decided. What is not named here stands as the proposal suggests it. */
export const Choices = Type.Object(
  {
    extras: Type.Record(
      PartId,
      Type.Object(
        { in: Type.Boolean(), quantity: Type.Optional(PositiveDecimalText) },
        { additionalProperties: false },
      ),
      {
        additionalProperties: false,
        maxProperties: 1000,
        description: 'By the id of the line, bundle or section',
      },
    ),
    questions: Type.Record(PartId, PartId, {
      additionalProperties: false,
      maxProperties: 1000,
      description: 'Question id → alternative id, or “none” where that is allowed',
    }),
    tiers: Type.Optional(
      Type.Record(PartId, PartId, {
        additionalProperties: false,
        maxProperties: 20,
        description: 'Levels id → level id',
      }),
    ),
  },
  { additionalProperties: false, $id: 'urn:impegno:choices:1', title: 'Choices of a customer' },
);
export type Choices = Type.Static<typeof Choices>;
