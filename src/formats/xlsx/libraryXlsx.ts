import ExcelJS from 'exceljs';
import type { ListedItem } from '../csv/libraryCsv';
import { libraryColumns, libraryRows } from '../csv/libraryCsv';

const numbers = new Set([
  'material',
  'labour_hours',
  'labour_rate',
  'overtime_rate',
  'equipment',
  'subcontract',
  'other',
  'waste',
  'pack',
  'minimum_charge',
]);

/** The library as an XLSX workbook (ECMA-376) of one sheet: the columns of the CSV, numbers as numbers, text as text. */
export async function libraryXlsx(items: readonly ListedItem[]): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet('Library', { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.addRow([...libraryColumns]);
  sheet.getRow(1).font = { bold: true };
  for (const row of libraryRows(items))
    sheet.addRow(
      row.map((cell, i) => (numbers.has(libraryColumns[i]!) && cell !== '' ? Number(cell) : cell || null)),
    );
  sheet.getColumn(2).width = 44;
  return Buffer.from(await book.xlsx.writeBuffer());
}
