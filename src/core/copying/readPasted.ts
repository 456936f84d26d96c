import Papa from 'papaparse';
import { unguarded } from '../importing/cells';
import { writeFixed } from '../number';
import type { TypedLine } from '../quantity';
import { parseQuantity, readAddLine, unitOf } from '../quantity';

/** What a column of a pasted table holds. */
type Column = 'code' | 'words' | 'quantity' | 'unit' | 'cost' | 'price' | 'amount';

/** Headings as people write them, in small letters and without signs. */
const headings: Readonly<Record<string, Column>> = {
  code: 'code',
  'item code': 'code',
  'item no': 'code',
  sku: 'code',
  description: 'words',
  descriptions: 'words',
  item: 'words',
  items: 'words',
  name: 'words',
  what: 'words',
  work: 'words',
  scope: 'words',
  qty: 'quantity',
  quantity: 'quantity',
  count: 'quantity',
  unit: 'unit',
  units: 'unit',
  uom: 'unit',
  cost: 'cost',
  'unit cost': 'cost',
  'cost each': 'cost',
  price: 'price',
  'unit price': 'price',
  rate: 'price',
  'unit rate': 'price',
  'price each': 'price',
  amount: 'amount',
  total: 'amount',
  extended: 'amount',
  'line total': 'amount',
};

const headingOf = (cell: string): Column | undefined => {
  const key = cell
    .toLowerCase()
    .replace(/[^a-z ]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return Object.hasOwn(headings, key) ? headings[key] : undefined;
};

/** Lines read out of what was pasted. */
export interface Pasted {
  readonly lines: readonly TypedLine[];
  /** Headings of columns nothing is taken from. */
  readonly unused: readonly string[];
  /** Units that are not known here; their lines are taken as each. */
  readonly unknownUnits: readonly string[];
  /** How many cells hold a formula over other cells, which is not read. */
  readonly unread: number;
  /** What the amounts are, where a heading says it. */
  readonly amountIs: 'cost' | 'both' | null;
}

/** A number in a cell, as a number or as arithmetic (`=38+64`, `$1,250.50`), to some places; null for anything else. */
function asNumber(cell: string, places = 4): { readonly value: string; readonly typed?: string } | null {
  const text = unguarded(cell.trim())
    .replace(/^=\s*/, '')
    .replace(/^\$\s*/, '');
  // A number in brackets alone is one below zero, as bookkeepers write it; none of these columns holds one.
  if (!/^[\d.(]/.test(text) || /^\([\d.,\s]*\)$/.test(text)) return null;
  try {
    const value = writeFixed(parseQuantity(text, places));
    return /\d\s*[-+*/×÷(]/.test(text) ? { value, typed: text } : { value };
  } catch {
    return null;
  }
}

const isFormula = (cell: string): boolean => cell.trim().startsWith('=');

/** A row of cells: the words are the cell with most letters; numbers and units around it are what they look like. */
function fromCells(cells: readonly string[]): TypedLine {
  const letters = cells.map((cell) =>
    unitOf(cell.trim()) || isFormula(cell) ? 0 : cell.replace(/[^\p{L}]/gu, '').length,
  );
  const at = letters.indexOf(Math.max(...letters));
  const unit = cells.map((cell) => unitOf(cell.trim())).find((found) => found !== undefined);
  const numbers = cells.flatMap((cell, i) => {
    const number = i === at ? null : asNumber(cell);
    return number === null ? [] : [number];
  });
  const [quantity, price] = numbers;
  const rest = {
    ...(unit === undefined ? {} : { unit }),
    ...(price === undefined ? {} : { price: price.value }),
  };
  const words = unguarded(cells[at]!.trim());
  if (quantity === undefined) return { ...readAddLine(words), ...rest };
  return {
    quantity: writeFixed(parseQuantity(quantity.typed ?? quantity.value)),
    ...(quantity.typed === undefined ? {} : { typed: quantity.typed }),
    words,
    ...rest,
  };
}

/** A row under headings: every cell is what its column says. An amount is a unit price only where nothing else is one. */
function underHeadings(cells: readonly string[], columns: readonly (Column | undefined)[]): TypedLine {
  const cellOf = (column: Column) => (cells[columns.indexOf(column)] ?? '').trim();
  const quantity = asNumber(cellOf('quantity'), 3);
  const unit = unitOf(cellOf('unit'));
  const cost = asNumber(cellOf('cost'));
  const amount = columns.includes('cost') || columns.includes('price') ? null : asNumber(cellOf('amount'));
  let price = asNumber(cellOf('price'));
  const ofAmount = !price && amount !== null && quantity !== null && quantity.value !== '0';
  if (ofAmount) price = asNumber(`${amount.value}/${quantity.value}`);
  const words = unguarded(cellOf('words')) || unguarded(cellOf('code'));
  const code = unguarded(cellOf('code'));
  return {
    quantity: quantity?.value ?? null,
    ...(quantity?.typed === undefined ? {} : { typed: quantity.typed }),
    ...(unit === undefined ? {} : { unit }),
    words,
    ...(code === '' ? {} : { code }),
    ...(price ? { price: price.value } : {}),
    // 100 for 3 is 33.3333 each: at two places the line would come to 99.99.
    ...(price && ofAmount ? { places: 4 as const } : {}),
    ...(cost ? { cost: cost.value } : {}),
  };
}

/** The columns of a first row that is a heading: at least the words and one more; null for any other row. */
function columnsOf(cells: readonly string[]): readonly (Column | undefined)[] | null {
  const found = cells.map(headingOf);
  // “Item” beside “Description” is its number.
  const columns = found.map((column, i) =>
    column === 'words' &&
    /^items?$/i.test(cells[i]!.trim()) &&
    found.some((other, k) => k !== i && other === 'words')
      ? 'code'
      : column,
  );
  const named = columns.filter((column) => column !== undefined);
  return columns.includes('words') && named.length > 1 ? columns : null;
}

/** Rows of cells set apart by tabs, as spreadsheets give them: a cell in quotes may hold tabs and line ends. */
const tableOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/\r\n|\r/g, '\n'), {
    delimiter: '\t',
    newline: '\n',
    skipEmptyLines: 'greedy',
  }).data;

function readTable(text: string): Pasted {
  const rows = tableOf(text);
  const columns = rows[0] ? columnsOf(rows[0]) : null;
  const body = columns ? rows.slice(1) : rows;
  const lines = body
    .map((cells) => {
      const read = columns ? underHeadings(cells, columns) : null;
      // A row that does not keep to the headings is read as one without.
      return read && /\p{L}/u.test(read.words) ? read : fromCells(cells);
    })
    .filter(({ words }) => words !== '');
  const [cost, price] = [
    lines.some((line) => line.cost !== undefined),
    lines.some((line) => line.price !== undefined),
  ];
  const at = columns?.indexOf('unit') ?? -1;
  const units = body.flatMap((cells) => (at < 0 ? [] : [(cells[at] ?? '').trim()]));
  return {
    lines,
    unknownUnits: [...new Set(units.filter((unit) => unit !== '' && unitOf(unit) === undefined))],
    unused: columns ? rows[0]!.filter((cell, i) => columns[i] === undefined && cell.trim() !== '') : [],
    unread: body.flat().filter((cell) => isFormula(cell) && asNumber(cell) === null).length,
    // A “price” alone may be the supplier's: what it is is asked.
    amountIs: cost ? (price ? 'both' : 'cost') : null,
  };
}

/**
 * Lines of a text list or rows of a spreadsheet. Under headings every column is what its heading says; without them quantity,
 * unit, words and unit price are found in the order people write them. Arithmetic in a cell is computed and kept as it was
 * typed. Empty lines are left out, and the marks of a list before a line.
 * @param text as the clipboard has it
 * @returns the lines: quantities to 3 places, unit amounts to 4
 */
export function readPasted(text: string): Pasted {
  if (text.includes('\t')) return readTable(text);
  const lines = text
    .split(/\r\n|\r|\n/)
    .map((line) => line.replace(/^\s*(?:[-*•–]|\d+[.)])\s+/, ''))
    .filter((line) => line.trim() !== '')
    .map(readAddLine)
    .filter(
      ({ words, quantity }, i) =>
        words !== '' && !(i === 0 && quantity === null && /^(item|description|what|name)s?$/i.test(words)),
    );
  return { lines, unused: [], unknownUnits: [], unread: 0, amountIs: null };
}
