import Type from 'typebox';
import { idPattern } from './patterns';
import { BusinessDate, PartId, ShortText } from './scalars';

/* Levels of a whole proposal or of a section, and what choices mean for each other. */

const closed = { additionalProperties: false } as const;

export const OfferLevel = Type.Object(
  {
    id: PartId,
    name: ShortText,
    detail: Type.Optional(Type.String({ maxLength: 2000 })),
    grades: Type.Record(PartId, PartId, {
      maxProperties: 500,
      description: 'Bundle → its grade at this level; bundles not named keep their own',
    }),
    without: Type.Array(PartId, {
      maxItems: 2000,
      description: 'Lines, questions, bundles and sections that are not in at this level',
    }),
  },
  closed,
);
export type OfferLevel = Type.Static<typeof OfferLevel>;

export const LevelChoice = Type.Object(
  {
    id: PartId,
    prompt: ShortText,
    detail: Type.Optional(Type.String({ maxLength: 2000 })),
    section: Type.Optional(
      Type.String({
        pattern: idPattern,
        description: 'The section it is of; without one, the whole proposal',
      }),
    ),
    levels: Type.Array(OfferLevel, { minItems: 2, maxItems: 4 }),
    suggested: Type.String({
      pattern: idPattern,
      description: 'The level taken unless the customer picks another',
    }),
    recommended: Type.Optional(
      Type.Object({ level: PartId, reason: Type.Optional(Type.String({ maxLength: 500 })) }, closed),
    ),
    until: Type.Optional(BusinessDate),
    offers: Type.Optional(
      Type.Literal(true, { description: 'Whole offers: which section is in which is what tells them apart' }),
    ),
  },
  { ...closed, description: 'Two to four levels of the same work: other grades, more or less in' },
);
export type LevelChoice = Type.Static<typeof LevelChoice>;

export const Picked = Type.Union(
  [
    Type.Object({ extra: PartId }, closed),
    Type.Object({ question: PartId, alternative: PartId }, closed),
    Type.Object({ tiers: PartId, level: PartId }, closed),
  ],
  { description: 'Something a customer can take: an extra, one alternative, one level' },
);
export type Picked = Type.Static<typeof Picked>;

export const Rule = Type.Object(
  {
    id: PartId,
    when: Picked,
    says: Type.Union([Type.Literal('needs'), Type.Literal('rules out')]),
    other: Picked,
    reason: Type.Optional(Type.String({ maxLength: 300, description: 'Why, for the customer to read' })),
  },
  { ...closed, description: 'What one choice means for another' },
);
export type Rule = Type.Static<typeof Rule>;
