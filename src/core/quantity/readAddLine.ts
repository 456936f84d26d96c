import type { UnitCode } from '@/model';
import { writeFixed } from '../number';
import { parseQuantity } from './parseQuantity';

/** How units are written by hand. */
const unitWords: Readonly<Record<string, UnitCode>> = {
  ea: 'each',
  each: 'each',
  pc: 'each',
  pcs: 'each',
  lf: 'ft',
  ft: 'ft',
  feet: 'ft',
  sf: 'sqft',
  sqft: 'sqft',
  sq: 'square',
  square: 'square',
  squares: 'square',
  cy: 'cuyd',
  cuyd: 'cuyd',
  yd: 'cuyd',
  yds: 'cuyd',
  bf: 'bdft',
  bdft: 'bdft',
  h: 'hour',
  hr: 'hour',
  hrs: 'hour',
  hour: 'hour',
  hours: 'hour',
  m: 'm',
  sqm: 'sqm',
  m2: 'sqm',
  'm²': 'sqm',
  cum: 'cum',
  m3: 'cum',
  'm³': 'cum',
  kg: 'kg',
  l: 'liter',
  liter: 'liter',
  liters: 'liter',
  litre: 'liter',
  litres: 'liter',
  lb: 'lb',
  lbs: 'lb',
  gal: 'gal',
  day: 'day',
  days: 'day',
  set: 'set',
  sets: 'set',
  job: 'job',
  ls: 'job',
};

/** The unit a word stands for (`sf`, `sq. ft`), or undefined. */
export const unitOf = (word: string): UnitCode | undefined => {
  const key = word.toLowerCase().replace(/[.\s]/g, '');
  return Object.hasOwn(unitWords, key) ? unitWords[key] : undefined;
};

/** The unit at the end of a quantity, where it has one that says what it is measured in. */
const endUnits: readonly (readonly [RegExp, UnitCode])[] = [
  [/[\d\s](?:sq\.?\s?ft|sqft|ft2|ft²|sf)$/i, 'sqft'],
  [/[\d\s](?:cu\.?\s?yd|cuyd|cy|yd3|yd³)$/i, 'cuyd'],
  [/[\d\s](?:sq\.?\s?m|sqm|m2|m²)$/i, 'sqm'],
  [/[\d\s](?:cu\.?\s?m|m3|m³)$/i, 'cum'],
  // Feet are part of a length, and a unit as well: 62 ft of trim are no 62 pieces.
  [/[\d\s](?:ft|feet)$/i, 'ft'],
  [/[\d\s](?:mm|cm|m)$/, 'm'],
];

export interface TypedLine {
  /** Null where the text does not begin with a quantity. */
  readonly quantity: string | null;
  /** Only where one was written behind the quantity. */
  readonly unit?: UnitCode;
  readonly words: string;
  /** Unit price behind `@`, only where one was written. */
  readonly price?: string;
  /** Decimals of the price, where two would not come to the amount it was made from. */
  readonly places?: 4;
  /** The quantity as it was typed, where that was arithmetic in a cell. */
  readonly typed?: string;
  /** Code and unit cost, where a column of a table said them. */
  readonly code?: string;
  readonly cost?: string;
}

/**
 * What was typed in one go: a quantity, if it begins with one, a unit, words, and a unit price. `12 joist`,
 * `38+64+22 screen`, `12' 6" gutter`, `380 sf screen mesh @2.15`.
 */
export function readAddLine(text: string): TypedLine {
  let trimmed = text.trim();
  let price: { price?: string } = {};
  const at = /\s*@\s*\$?\s*([\d.,+*/() -]+)$/.exec(trimmed);
  if (at) {
    try {
      price = { price: writeFixed(parseQuantity(at[1]!, 4)) };
      trimmed = trimmed.slice(0, at.index).trim();
    } catch {
      // Not a price: the sign is part of the words.
    }
  }
  // The longest beginning that reads as a quantity and ends before a blank is the quantity.
  for (let end = trimmed.length; end > 0; end = trimmed.lastIndexOf(' ', end - 1)) {
    const head = trimmed.slice(0, end);
    if (!/^[\d(.]/.test(head)) break;
    try {
      const rest = trimmed.slice(end).trim();
      const within = endUnits.find(([pattern]) => pattern.test(head))?.[1];
      const quantity = writeFixed(
        parseQuantity(head, 3, { blanks: false, ...(within === undefined ? {} : { unit: within }) }),
      );
      if (within !== undefined && rest !== '') return { quantity, unit: within, words: rest, ...price };
      const [first = '', ...others] = rest.split(/\s+/);
      // A unit stands between the quantity and words; alone it is a word to look for.
      const unit = others.length > 0 ? unitOf(first) : undefined;
      return unit === undefined
        ? { quantity, words: rest, ...price }
        : { quantity, unit, words: others.join(' '), ...price };
    } catch {
      // Not a quantity yet; try a shorter beginning.
    }
  }
  return { quantity: null, words: trimmed, ...price };
}

const sizeUnits: Partial<Record<UnitCode, string>> = {
  ft: 'ft',
  sqft: 'sq ft',
  cuyd: 'cu yd',
  m: 'm',
  sqm: 'm2',
  cum: 'm3',
};

/** The quantity of a typed line as text, with its unit where that is a size: `12 m2`. */
export const sizeTyped = ({ quantity, unit }: TypedLine): string | null => {
  const size = unit === undefined ? undefined : sizeUnits[unit];
  return quantity === null || size === undefined ? quantity : `${quantity} ${size}`;
};
