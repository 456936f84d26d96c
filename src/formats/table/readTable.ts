import { readCsv } from './readCsv';
import { readXlsx } from './readXlsx';
import type { Table } from './table';
import { TableError } from './table';

/** The most a file may weigh; more is a database, not a list. */
export const LARGEST_FILE = 25 * 1024 * 1024;

const begins = (bytes: Uint8Array, ...signs: number[]) => signs.every((sign, i) => bytes[i] === sign);

/**
 * Reads a list from a file: CSV in any usual encoding and with any usual divider, or the first sheet of an XLSX file.
 * What was strange about it is told in `remarks`; a ragged row carries its trouble.
 * @throws TableError with a sentence for a file that is no such list
 */
export async function readTable(bytes: Uint8Array): Promise<Table> {
  if (bytes.length === 0) throw new TableError('This file is empty.');
  if (bytes.length > LARGEST_FILE)
    throw new TableError(
      `This file has ${Math.round(bytes.length / 1024 / 1024)} MB; at most ${LARGEST_FILE / 1024 / 1024} MB are read. Divide it.`,
    );
  if (begins(bytes, 0x50, 0x4b, 0x03, 0x04)) return readXlsx(bytes);
  if (begins(bytes, 0xd0, 0xcf, 0x11, 0xe0))
    throw new TableError('This is an old workbook (.xls). Save it as .xlsx or as CSV.');
  if (begins(bytes, 0x25, 0x50, 0x44, 0x46)) throw new TableError('This is a PDF, not a list.');
  return readCsv(bytes);
}
