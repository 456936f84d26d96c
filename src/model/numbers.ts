import Type from 'typebox';

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

/** As a company begins: 2026-001, and C2026-001 on a credit note. */
export const usualNumbers: NumberPatterns = {
  invoice: { prefix: '', yearly: true, digits: 3 },
  creditNote: { prefix: 'C', yearly: true, digits: 3 },
};

/** Series a company may say the next number of. */
export const numberedKinds = ['proposal', 'agreement', 'invoice', 'creditNote'] as const;
export type NumberedKind = (typeof numberedKinds)[number];

/** The highest number of a series. */
export const MOST_NUMBERED = 99_999_999;

const Next = Type.Integer({ minimum: 1, maximum: MOST_NUMBERED });
const NextOfEach = Type.Object({ proposal: Next, agreement: Next, invoice: Next, creditNote: Next }, closed);
export const NumbersInput = Type.Object(
  {
    patterns: NumberPatterns,
    next: NextOfEach,
    over: Type.Optional(NextOfEach),
  },
  closed,
);
export type NumbersInput = Type.Static<typeof NumbersInput>;

/** A number as it is printed: 2026-007, and C2026-007 on a credit note. */
export const printedNumber = (
  { prefix, yearly, digits }: NumberPattern,
  year: number,
  number: number,
): string => `${prefix}${yearly ? `${year}-` : ''}${String(number).padStart(digits, '0')}`;
