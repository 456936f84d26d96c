import type { TypedLine } from './readAddLine';
import { readAddLine, unitOf } from './readAddLine';
import { parseQuantity } from './parseQuantity';
import { writeFixed } from '../number';

const asNumber = (cell: string): string | null => {
  const text = cell.trim().replace(/^\$\s*/, '');
  if (!/^[\d.(]/.test(text)) return null;
  try {
    return writeFixed(parseQuantity(text, 4));
  } catch {
    return null;
  }
};

/** A row of cells: the words are the cell with most letters; numbers and units around it are what they look like. */
function fromCells(cells: readonly string[]): TypedLine {
  const letters = cells.map((cell) => (unitOf(cell.trim()) ? 0 : cell.replace(/[^\p{L}]/gu, '').length));
  const at = letters.indexOf(Math.max(...letters));
  const unit = cells.map((cell) => unitOf(cell.trim())).find((found) => found !== undefined);
  const numbers = cells.flatMap((cell, i) => {
    const number = i === at ? null : asNumber(cell);
    return number === null ? [] : [number];
  });
  const [quantity = null, price] = numbers;
  const rest = {
    ...(unit === undefined ? {} : { unit }),
    ...(price === undefined ? {} : { price }),
  };
  const words = cells[at]!.trim();
  return quantity === null ? { ...readAddLine(words), ...rest } : { quantity, words, ...rest };
}

/**
 * Lines of a text list or rows of a spreadsheet: quantity, unit, words and unit price in the order people write them. A
 * heading and empty lines are left out, and the marks of a list before a line.
 */
export function readPasted(text: string): TypedLine[] {
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((line) => line.replace(/^\s*(?:[-*•–]|\d+[.)])\s+/, ''))
    .filter((line) => line.trim() !== '');
  return lines
    .map((line) => (line.includes('\t') ? fromCells(line.split('\t')) : readAddLine(line)))
    .filter(
      ({ words, quantity }, i) =>
        words !== '' && !(i === 0 && quantity === null && /^(item|description|what|name)s?$/i.test(words)),
    );
}
