import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { guarded } from './csv/libraryCsv';

/** A column of a list as it is written to a file. */
export interface FileColumn {
  readonly key: string;
  readonly title: string;
  /** Numbers stay numbers; other text that a spreadsheet would take for a formula is kept from it. */
  readonly number: boolean;
}

type Rows = readonly Readonly<Record<string, string>>[];

/** A list as CSV (RFC 4180): the titles of its columns, then a line each row. */
export function listCsv(columns: readonly FileColumn[], rows: Rows): string {
  const data = rows.map((row) =>
    columns.map(({ key, number }) => {
      const text = row[key] ?? '';
      return number ? text : guarded(text);
    }),
  );
  return `${Papa.unparse({ fields: columns.map(({ title }) => title), data }, { newline: '\r\n' })}\r\n`;
}

/** A list as an XLSX workbook (ECMA-376) of one sheet: numbers as numbers, text as text. */
export async function listXlsx(name: string, columns: readonly FileColumn[], rows: Rows): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.addRow(columns.map(({ title }) => title)).font = { bold: true };
  for (const row of rows)
    sheet.addRow(
      columns.map(({ key, number }) => {
        const text = row[key] ?? '';
        return number && text !== '' ? Number(text) : text || null;
      }),
    );
  columns.forEach(({ number }, i) => (sheet.getColumn(i + 1).width = number ? 14 : 26));
  return Buffer.from(await book.xlsx.writeBuffer());
}
