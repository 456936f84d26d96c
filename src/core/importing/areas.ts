import type { AreaFactors } from '@/model';
import { RowError, readNumber } from './cells';

export interface AreaRow extends AreaFactors {
  /** The beginning of the postcodes it is for, in capitals without blanks. */
  readonly prefix: string;
}

/** A postcode as it is compared: capitals without blanks and dashes. */
export const plainPostcode = (text: string): string => text.toUpperCase().replace(/[\s-]/g, '');

/**
 * Reads a table of area factors: a line each with postcode prefix, name, and factors on material, labour and equipment,
 * divided by tabs, semicolons or commas; a heading is left out. Factors go from 0.2 to 5.
 * @throws RowError with the line and what is wrong in it
 */
export function readAreas(text: string): AreaRow[] {
  const rows: AreaRow[] = [];
  const seen = new Set<string>();
  for (const [i, line] of text.split(/\r\n|\r|\n/).entries()) {
    if (line.trim() === '') continue;
    const cells = line.split(/[\t;]/.test(line) ? /[\t;]/ : /,/).map((cell) => cell.trim());
    if (i === 0 && /prefix|postcode|zip/i.test(cells[0] ?? '')) continue;
    const wrong = (why: string) => new RowError(`Line ${i + 1}: ${why}`);
    if (cells.length !== 5) throw wrong('five cells are wanted: prefix, name, material, labor, equipment.');
    const [prefix, name, ...factors] = cells as [string, string, string, string, string];
    const plain = plainPostcode(prefix);
    if (!/^[A-Z0-9]{1,12}$/.test(plain)) throw wrong(`“${prefix}” is no beginning of a ZIP or postal code.`);
    if (name === '' || name.length > 200) throw wrong('a name is wanted.');
    if (seen.has(plain)) throw wrong(`the prefix ${plain} stands there twice.`);
    seen.add(plain);
    const [material, labour, equipment] = factors.map((factor) => {
      const value = readNumber('a factor', factor);
      if (value === null || Number(value) < 0.2 || Number(value) > 5)
        throw wrong(`a factor goes from 0.2 to 5, not ${factor || 'empty'}.`);
      return value;
    });
    rows.push({ prefix: plain, name, material: material!, labour: labour!, equipment: equipment! });
  }
  return rows;
}
