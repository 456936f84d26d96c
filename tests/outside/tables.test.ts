/*
 * Lists from outside: the csv-spectrum cases (a package of CSV files with what each says, written by others), RFC 4180,
 * encodings as they come, and workbooks written by exceljs, a general-purpose library.
 */
import fs from 'node:fs';
import path from 'node:path';
import ExcelJS from 'exceljs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { libraryColumns, libraryCsv } from '@/formats/csv/libraryCsv';
import { libraryXlsx } from '@/formats/xlsx/libraryXlsx';
import { LARGEST_FILE, readTable } from '@/formats/table/readTable';
import { runs } from '../support/documents';
import { itemInputs } from '@/services/library/starting/items';
import { stockInputs } from '@/services/library/starting/stock';

const bytes = (text: string) => new TextEncoder().encode(text);
const spectrum = path.join(process.cwd(), 'node_modules', 'csv-spectrum');

describe('the csv-spectrum cases', () => {
  const cases = fs
    .readdirSync(path.join(spectrum, 'csvs'))
    .map((file) => file.replace(/\.csv$/, ''))
    // Its JSON names another telephone number than its CSV.
    .filter((name) => name !== 'location_coordinates');
  test('there are some', () => expect(cases.length).toBeGreaterThan(8));
  test.each(cases)('%s', async (name) => {
    const said = JSON.parse(fs.readFileSync(path.join(spectrum, 'json', `${name}.json`), 'utf8')) as Record<
      string,
      string
    >[];
    const table = await readTable(
      new Uint8Array(fs.readFileSync(path.join(spectrum, 'csvs', `${name}.csv`))),
    );
    expect(
      table.rows.map(({ cells }) =>
        Object.fromEntries(table.headings.map((heading, i) => [heading, cells[i]])),
      ),
    ).toEqual(said);
  });
});

test('encodings: UTF-8 with and without its mark, UTF-16 both ways, Windows-1252 with a remark', async () => {
  const text = 'code,name\nA,Tür ½ Zoll\n';
  const utf16 = (order: 'le' | 'be') => {
    const buffer = Buffer.from(`\ufeff${text}`, 'utf16le');
    return new Uint8Array(order === 'le' ? buffer : buffer.swap16());
  };
  for (const file of [bytes(text), bytes(`\ufeff${text}`), utf16('le'), utf16('be')])
    expect(await readTable(file)).toMatchObject({
      headings: ['code', 'name'],
      rows: [{ cells: ['A', 'Tür ½ Zoll'] }],
    });
  const old = await readTable(new Uint8Array(Buffer.from(text, 'latin1')));
  expect(old.rows[0]!.cells[1]).toBe('Tür ½ Zoll');
  expect(old.remarks[0]).toContain('not UTF-8');
});

test.each([
  [new Uint8Array(0), 'This file is empty.'],
  [new Uint8Array(LARGEST_FILE + 1), 'at most 25 MB are read'],
  [new Uint8Array([0x50, 0x4b, 3, 4, 1, 2, 3]), 'damaged'],
  [new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0]), 'old workbook'],
  [bytes('%PDF-1.7'), 'a PDF'],
  [new Uint8Array([65, 0, 66, 0, 67]), 'not a text file'],
  [bytes('\n\n \n'), 'nothing in this file'],
  [bytes('code,name\n'), 'no row below it'],
  [bytes('just one column\nof text'), 'only one column'],
])('a file that is no list is refused in words %#', async (file, words) =>
  expect(readTable(file)).rejects.toThrow(words),
);

test('ragged rows carry their trouble or are filled; empty rows and columns are left out', async () => {
  const table = await readTable(bytes('a;b;c;;\n1;2\n\n1;2;3;4\n"x;y";"1""2";"line\nbreak";;\n'));
  expect(table.headings).toEqual(['a', 'b', 'c']);
  expect(table.rows).toEqual([
    { row: 2, cells: ['1', '2', ''] },
    {
      row: 4,
      cells: ['1', '2', '3', '4'],
      trouble: expect.stringContaining('4 cells, the heading 3') as string,
    },
    { row: 5, cells: ['x;y', '1"2', 'line\nbreak'] },
  ]);
});

test('a workbook: text, numbers without their float’s noise, formulas as what they came to', async () => {
  const book = new ExcelJS.Workbook();
  const sheet = book.addWorksheet('Prices');
  sheet.addRow(['code', 'material', 'note']);
  sheet.addRow(['A-1', 0.1 + 0.2, { richText: [{ text: 'rich ' }, { text: 'text' }] }]);
  sheet.addRow(['A-2', { formula: 'B2*10', result: 3 }, { text: 'link', hyperlink: 'https://example.test' }]);
  const table = await readTable(new Uint8Array(await book.xlsx.writeBuffer()));
  expect(table.rows.map(({ cells }) => cells)).toEqual([
    ['A-1', '0.3', 'rich text'],
    ['A-2', '3', 'link'],
  ]);
  expect(table.remarks).toEqual(['1 formulas were read as what they last came to.']);
});

// OWASP, CSV injection (from memory): a cell that begins with = + - @ tab or return is taken for a formula.
test('nothing an export writes is taken for a formula by a spreadsheet', async () => {
  const evil = fc.tuple(fc.constantFrom('=', '+', '-', '@', '\t', '\r', ''), fc.string({ maxLength: 12 }));
  await fc.assert(
    fc.asyncProperty(evil, evil, async ([a, b], [c, d]) => {
      const name = `${a}${b}` || 'x';
      const item = { ...itemInputs[0]!, name, detail: `${c}${d}`, supplierNote: name, retired: false };
      const rows = Papa.parse<string[]>(libraryCsv([item]).trimEnd()).data.slice(1);
      for (const row of rows)
        for (const [i, cell] of row.entries())
          if (!/hours|rate|material|equipment|subcontract|other|waste|pack|minimum/.test(libraryColumns[i]!))
            expect(cell).not.toMatch(/^[=+\-@\t\r]/);
    }),
    { numRuns: runs(60) },
  );
  const book = new ExcelJS.Workbook();
  await book.xlsx.load((await libraryXlsx([{ ...itemInputs[0]!, name: '=1+1', retired: false }])) as never);
  expect(book.worksheets[0]!.getRow(2).getCell(2).value).toBe("'=1+1");
});

test('the same list comes from the CSV and from the workbook', async () => {
  const items = [...itemInputs, ...stockInputs].map((item) => ({ ...item, retired: false }));
  const fromCsv = await readTable(bytes(libraryCsv(items)));
  const fromXlsx = await readTable(new Uint8Array(await libraryXlsx(items)));
  expect(fromXlsx.headings).toEqual(fromCsv.headings);
  const numbersAlike = (cell: string) => (/^\d+\.\d+$/.test(cell) ? String(Number(cell)) : cell);
  expect(fromXlsx.rows.map(({ cells }) => cells.map(numbersAlike))).toEqual(
    fromCsv.rows.map(({ cells }) => cells.map(numbersAlike)),
  );
});
