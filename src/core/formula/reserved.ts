import { functionNames } from './tree';

/** Names of a section's space in formulas. */
export const spaceNames = ['floor', 'ceiling', 'walls', 'perimeter', 'height', 'length', 'width'] as const;

/** Words that mean something in formulas: nothing else can be called so. */
export const reservedNames: readonly string[] = [
  ...functionNames,
  ...spaceNames,
  'ft',
  'in',
  'm',
  'cm',
  'mm',
  'grade',
  'yes',
  'no',
];

/**
 * The formula with one name in place of another; longer names that contain it stay as they are.
 * @param from an identifier
 */
export function renamed(formula: string, from: string, to: string): string {
  return formula.replace(new RegExp(`(?<![A-Za-z0-9_])${from}(?![A-Za-z0-9_])`, 'g'), to);
}
