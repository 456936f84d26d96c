import Type from 'typebox';
import { MOST_NUMBERED } from './numberPatterns';

/* How papers are numbered. */

const closed = { additionalProperties: false } as const;

/** How a number is printed: `R-2026-0042`. */
export const NumberPattern = Type.Object(
  {
    prefix: Type.String({
      maxLength: 12,
      pattern: '^[A-Za-z0-9/._ -]*$',
      description: 'Stands before the number',
    }),
    yearly: Type.Boolean({
      description: 'The year stands in it, and each year begins anew; without it one series goes on',
    }),
    digits: Type.Integer({ minimum: 1, maximum: 8, description: 'At least so many, filled up with zeros' }),
  },
  closed,
);
export type NumberPattern = Type.Static<typeof NumberPattern>;

export const NumberPatterns = Type.Object({ invoice: NumberPattern, creditNote: NumberPattern }, closed);
export type NumberPatterns = Type.Static<typeof NumberPatterns>;

const Next = Type.Integer({ minimum: 1, maximum: MOST_NUMBERED });
const NextOfEach = Type.Object({ proposal: Next, agreement: Next, invoice: Next, creditNote: Next }, closed);
export const NumbersInput = Type.Object(
  {
    patterns: NumberPatterns,
    next: NextOfEach,
    over: Type.Optional(Type.Object({ patterns: NumberPatterns, next: NextOfEach }, closed)),
  },
  closed,
);
export type NumbersInput = Type.Static<typeof NumbersInput>;
