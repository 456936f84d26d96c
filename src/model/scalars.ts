import Type from 'typebox';
import type { UnitCode } from './units';
import { ownUnitPattern, unitCodes } from './units';
import {
  datePattern,
  decimalPattern,
  idPattern,
  identifierPattern,
  percentPattern,
  positivePattern,
} from './patterns';

/** A decimal as text, at most 12 digits before and 6 after the point: no binary float ever holds money or a quantity. */
export const DecimalText = Type.String({ pattern: decimalPattern, description: 'Exact decimal as text' });

/** A decimal that is not negative. */
export const PositiveDecimalText = Type.String({
  pattern: positivePattern,
  description: 'Exact decimal as text, not negative',
});

/** A percentage as text: "8.25" is eight and a quarter percent. */
export const PercentText = Type.String({
  pattern: percentPattern,
  description: 'Percent as text',
});

/** A date of the business (no time, no zone), as YYYY-MM-DD. */
export const BusinessDate = Type.String({
  pattern: datePattern,
  format: 'date',
  description: 'Business date',
});

/** Identity of a part inside a document. */
export const PartId = Type.String({ pattern: idPattern });

/** A name that formulas can use: run, post_spacing. */
export const Identifier = Type.String({ pattern: identifierPattern });

/** A quantity or a formula as it was typed. */
export const FormulaText = Type.String({ minLength: 1, maxLength: 500 });

/** One line of text for people. */
export const ShortText = Type.String({ minLength: 1, maxLength: 200 });

/** Several lines of text for people. */
export const LongText = Type.String({ maxLength: 20000 });

export const CostType = Type.Union([
  Type.Literal('material'),
  Type.Literal('labour'),
  Type.Literal('equipment'),
  Type.Literal('subcontract'),
  Type.Literal('other'),
]);
export type CostType = Type.Static<typeof CostType>;

/** In what something is counted or measured. */
export const Unit = Type.Unsafe<UnitCode>({
  anyOf: [{ enum: [...unitCodes] }, { type: 'string', pattern: ownUnitPattern }],
});
