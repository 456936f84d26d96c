import type { Fixed } from '../number';
import { FIXED_DIGITS, divideRounded, powerOfTen } from '../number';

/** What was typed into a quantity field cannot be read; `at` is the place in the text, counted from 0. */
export class QuantityError extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
    this.name = 'QuantityError';
  }
}

/** What may be typed at most: as much as a line keeps beside its quantity. Also bounds the work. */
const LONGEST = 200;

/** An exact ratio, so that 1/3*3 is 1. */
interface Ratio {
  readonly top: bigint;
  readonly bottom: bigint;
}

const length =
  /(?:(\d+(?:\.\d+)?)\s*(?:'|′|ft\b)\s*)?(?:(?:(\d+)\s+)?(\d+)\/(\d+)|(\d+(?:\.\d+)?))\s*(?:"|″|in\b)/y;
const feet = /(\d+(?:\.\d+)?)\s*(?:'|′|ft\b)/y;
const plain = /\d{1,12}(?:,\d{3})*(?:\.\d+)?|\.\d+/y;

function decimal(text: string): Ratio {
  const [whole = '', places = ''] = text.replace(/,/g, '').split('.');
  // Past 39 places nothing is left that a quantity could show.
  const kept = places.slice(0, 39);
  return { top: BigInt((whole || '0') + kept), bottom: powerOfTen(kept.length) };
}

const add = (a: Ratio, b: Ratio): Ratio => ({
  top: a.top * b.bottom + b.top * a.bottom,
  bottom: a.bottom * b.bottom,
});
const times = (a: Ratio, b: Ratio): Ratio => ({ top: a.top * b.top, bottom: a.bottom * b.bottom });
const negative = (a: Ratio): Ratio => ({ top: -a.top, bottom: a.bottom });

/**
 * Reads what a person types as a quantity: a number (`1,250.5`), arithmetic (`38+64+22`, `2*(12+9.5)`) and lengths in
 * feet and inches (`12' 6"`, `12ft 6 1/2in`), which become feet.
 *
 * @param text what was typed
 * @param places decimal places of the result, 3 by default; the result is rounded to them once, half away from zero
 * @throws QuantityError with a sentence and the place for text that is none of these, and for a division by zero
 */
export function parseQuantity(text: string, places = 3): Fixed {
  let at = 0;

  const blanks = () => {
    while (text[at] === ' ' || text[at] === '\t' || text[at] === '\u00a0') at += 1;
  };
  const take = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    const found = pattern.exec(text);
    if (found) at = pattern.lastIndex;
    return found;
  };
  const isNext = (signs: string) => {
    blanks();
    const sign = text[at];
    return sign !== undefined && signs.includes(sign) ? sign : null;
  };

  const value = (depth: number): Ratio => {
    blanks();
    if (depth > 40) throw new QuantityError('Too many parentheses.', at);
    if (text[at] === '(') {
      const opened = at;
      at += 1;
      const inner = sum(depth + 1);
      if (isNext(')') === null) throw new QuantityError('This parenthesis is not closed.', opened);
      at += 1;
      return inner;
    }
    if (text[at] === '-' || text[at] === '−') {
      at += 1;
      return negative(value(depth + 1));
    }
    const long = take(length);
    if (long) {
      const whole = long[1] === undefined ? { top: 0n, bottom: 1n } : decimal(long[1]);
      const inches =
        long[5] !== undefined
          ? decimal(long[5])
          : add(decimal(long[2] ?? '0'), { top: BigInt(long[3] ?? '0'), bottom: BigInt(long[4] ?? '1') });
      if (inches.bottom === 0n) throw new QuantityError('Division by zero.', at);
      return add(whole, times(inches, { top: 1n, bottom: 12n }));
    }
    const short = take(feet);
    if (short) return decimal(short[1] ?? '0');
    const number = take(plain);
    if (number) return decimal(number[0]);
    throw new QuantityError(
      at >= text.length ? 'Something is missing at the end.' : `“${text[at]}” cannot be read here.`,
      at,
    );
  };

  const product = (depth: number): Ratio => {
    let result = value(depth);
    for (let sign = isNext('*×/'); sign !== null; sign = isNext('*×/')) {
      const place = at;
      at += 1;
      const right = value(depth);
      if (sign === '/' && right.top === 0n) throw new QuantityError('Division by zero.', place);
      result = sign === '/' ? times(result, { top: right.bottom, bottom: right.top }) : times(result, right);
    }
    return result;
  };

  const sum = (depth: number): Ratio => {
    let result = product(depth);
    for (let sign = isNext('+-−'); sign !== null; sign = isNext('+-−')) {
      at += 1;
      const right = product(depth);
      result = add(result, sign === '+' ? right : negative(right));
    }
    return result;
  };

  if (text.trim() === '') throw new QuantityError('Type a quantity.', 0);
  if (text.length > LONGEST) throw new QuantityError('That is too long.', LONGEST);
  const result = sum(0);
  blanks();
  if (at < text.length) throw new QuantityError(`“${text[at]}” cannot be read here.`, at);
  const rounded =
    divideRounded(result.top * powerOfTen(places), result.bottom) * powerOfTen(FIXED_DIGITS - places);
  if (rounded >= powerOfTen(18) || rounded <= -powerOfTen(18))
    throw new QuantityError('That is too large.', 0);
  return rounded as Fixed;
}
