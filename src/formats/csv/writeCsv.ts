import Papa from 'papaparse';
import { guarded } from './libraryCsv';

/**
 * Rows of plain text as CSV (RFC 4180). Text that a spreadsheet would take for a formula is kept from it; columns of numbers
 * stay as they are, so that what is below zero stays a number.
 */
export function writeCsv<Row extends object>(
  columns: readonly (keyof Row & string)[],
  rows: readonly Row[],
  numbers: ReadonlySet<string>,
): string {
  const data = rows.map((row) =>
    columns.map((column) => {
      const text = String(row[column] ?? '');
      return numbers.has(column) ? text : guarded(text);
    }),
  );
  return `${Papa.unparse({ fields: [...columns], data }, { newline: '\r\n' })}\r\n`;
}
