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
      const quantity = writeFixed(parseQuantity(head, 3, { blanks: false }));
      const rest = trimmed.slice(end).trim();
      const [first = '', ...others] = rest.split(/\s+/);
      // A unit stands between the quantity and words; alone it is a word to look for.
      const unit = others.length > 0 ? unitOf(first) : undefined;
      // Feet are part of a length, and a unit as well: 62 ft of trim are no 62 pieces.
      if (unit === undefined && rest !== '' && /[\d\s](ft|feet)$/i.test(head))
        return { quantity, unit: 'ft', words: rest, ...price };
      return unit === undefined
        ? { quantity, words: rest, ...price }
        : { quantity, unit, words: others.join(' '), ...price };
    } catch {
      // Not a quantity yet; try a shorter beginning.
    }
  }
  return { quantity: null, words: trimmed, ...price };
}
