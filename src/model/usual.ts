import Type from 'typebox';
import { Fee, ScheduleEntry, Shows, TaxClass, TaxTerms } from './document';
import { Load } from './priced';
import { LongText } from './scalars';

/** How a company usually prices and bills: what a proposal from nothing begins with. */
export const UsualTerms = Type.Object(
  {
    shows: Shows,
    terms: Type.Optional(LongText),
    loads: Type.Array(Load, { maxItems: 12 }),
    fees: Type.Array(Fee, { maxItems: 50 }),
    taxClasses: Type.Array(TaxClass, { minItems: 1, maxItems: 20 }),
    /** How customers read prices. */
    tax: Type.Optional(Type.Pick(TaxTerms, ['shown'], { additionalProperties: false })),
    schedule: Type.Array(ScheduleEntry, { maxItems: 60 }),
  },
  { additionalProperties: false },
);
export type UsualTerms = Type.Static<typeof UsualTerms>;
