/* What of numbering a page needs: no schema comes along. */

/** How a number is printed; the schema says the same. */
interface Pattern {
  prefix: string;
  yearly: boolean;
  digits: number;
}

/** As a company begins: 2026-001, and C2026-001 on a credit note. */
export const usualNumbers: { invoice: Pattern; creditNote: Pattern } = {
  invoice: { prefix: '', yearly: true, digits: 3 },
  creditNote: { prefix: 'C', yearly: true, digits: 3 },
};

/** Series a company may say the next number of. */
export const numberedKinds = ['proposal', 'agreement', 'invoice', 'creditNote'] as const;
export type NumberedKind = (typeof numberedKinds)[number];

/** The highest number of a series. */
export const MOST_NUMBERED = 99_999_999;

/** A number as it is printed: 2026-007, and C2026-007 on a credit note. */
export const printedNumber = (
  { prefix, yearly, digits }: Readonly<Pattern>,
  year: number,
  number: number,
): string => `${prefix}${yearly ? `${year}-` : ''}${String(number).padStart(digits, '0')}`;
