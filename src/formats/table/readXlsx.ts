import { Readable } from 'node:stream';
import ExcelJS from 'exceljs';
import type { Table } from './table';
import { MOST_COLUMNS, MOST_ROWS, TableError, tableOf } from './table';
import { unpackedSize } from './unpacked';

const MOST_CELLS = 3_000_000;

/** What a cell says as text; a formula says what it last came to. */
function textOf(value: ExcelJS.CellValue): { text: string; formula: boolean } {
  const plain = (text: string) => ({ text, formula: false });
  if (value === null || value === undefined) return plain('');
  if (typeof value === 'number')
    // What a spreadsheet shows has at most fifteen digits; more is its binary float.
    return plain(String(Number(value.toPrecision(15))));
  if (typeof value === 'string') return plain(value);
  if (typeof value === 'boolean') return plain(value ? 'yes' : 'no');
  if (value instanceof Date) return plain(value.toISOString().slice(0, 10));
  if ('richText' in value) return plain(value.richText.map(({ text }) => text).join(''));
  if ('text' in value) return plain(String(value.text));
  if ('error' in value) return plain(String(value.error));
  if ('formula' in value || 'sharedFormula' in value)
    return { text: textOf(value.result as ExcelJS.CellValue).text, formula: true };
  return plain('');
}

/**
 * Reads the first sheet of an XLSX workbook (ECMA-376), row by row, so that a large one does not fill the memory.
 * @throws TableError with a sentence
 */
export async function readXlsx(bytes: Uint8Array, mostCells = MOST_CELLS): Promise<Table> {
  // A small file can unpack to more than any machine holds: counted before anything is built from it.
  await unpackedSize(bytes);
  const raw: { row: number; cells: string[] }[] = [];
  let formulas = 0;
  let letters = 0;
  let cellCount = 0;
  try {
    const reader = new ExcelJS.stream.xlsx.WorkbookReader(Readable.from([Buffer.from(bytes)]), {
      sharedStrings: 'cache',
      styles: 'ignore',
      hyperlinks: 'ignore',
      worksheets: 'emit',
      entries: 'emit',
    });
    for await (const sheet of reader) {
      for await (const row of sheet) {
        const cells: string[] = [];
        cellCount += row.cellCount;
        if (cellCount > mostCells)
          throw new TableError('This sheet has millions of cells. Save only the columns you need.');
        for (let i = 1; i <= Math.min(row.cellCount, MOST_COLUMNS); i += 1) {
          const { text, formula } = textOf(row.getCell(i).value);
          if (formula) formulas += 1;
          letters += text.length;
          cells.push(text);
        }
        raw.push({ row: row.number, cells });
        if (raw.length > MOST_ROWS + 1)
          throw new TableError(`This sheet has more than ${MOST_ROWS} rows. Divide it.`);
        if (letters > 200_000_000) throw new TableError('This workbook unpacks to far too much text.');
      }
      break;
    }
  } catch (error) {
    if (error instanceof TableError) throw error;
    throw new TableError('This workbook is damaged and cannot be read. Save it again, or as CSV.');
  }
  if (raw.length === 0) throw new TableError('There is nothing in the first sheet of this workbook.');
  return tableOf(raw, formulas > 0 ? [`${formulas} formulas were read as what they last came to.`] : []);
}
