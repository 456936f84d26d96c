import Papa from 'papaparse';
import type { Table } from './table';
import { MOST_COLUMNS, MOST_ROWS, TableError, tableOf } from './table';

function decoded(bytes: Uint8Array): { text: string; remarks: string[] } {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe)
    return { text: new TextDecoder('utf-16le').decode(bytes), remarks: ['The file is UTF-16.'] };
  if (first === 0xfe && second === 0xff)
    return { text: new TextDecoder('utf-16be').decode(bytes), remarks: ['The file is UTF-16.'] };
  if (bytes.subarray(0, 4096).includes(0)) throw new TableError('This is not a text file.');
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), remarks: [] };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      remarks: ['The file is not UTF-8; it was read as Windows-1252. Look at letters such as é and ½.'],
    };
  }
}

/**
 * Reads CSV after RFC 4180, and what else goes by that name: semicolons, tabs or bars as divider, any line ends.
 * @throws TableError with a sentence
 */
export function readCsv(bytes: Uint8Array): Table {
  const { text, remarks } = decoded(bytes);
  const { data, errors } = Papa.parse<string[]>(text, {
    delimitersToGuess: [',', ';', '\t', '|'],
    preview: MOST_ROWS + 2,
  });
  if (data.length > MOST_ROWS + 1)
    throw new TableError(`This file has more than ${MOST_ROWS} rows. Divide it.`);
  const quotes = errors.find(({ type }) => type === 'Quotes');
  if (quotes)
    remarks.push(
      `A quote is not closed near row ${(quotes.row ?? 0) + 1}; what follows may be read as one cell.`,
    );
  return tableOf(
    data.map((cells, i) => ({ row: i + 1, cells: cells.slice(0, MOST_COLUMNS) })),
    remarks,
  );
}
