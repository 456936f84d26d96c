import type { Ratio } from '../number';
import { integer, plus, powerOfTen, reduced, times } from '../number';
import type { Comparison, FunctionName, Tree } from './tree';
import { FormulaError, functionNames } from './tree';

/** What may be typed at most; it bounds the work as well. */
export const LONGEST_FORMULA = 500;
const DEEPEST = 40;

const feetInches =
  /(?:(\d+(?:\.\d+)?)\s*(?:'|′|ft\b)\s*)?(?:(?:(\d+)\s+)?(\d+)\/(\d+)|(\d+(?:\.\d+)?))\s*(?:"|″|in\b)/y;
const feet = /(\d+(?:\.\d+)?)\s*(?:'|′|ft\b)/y;
/** Metres and their parts; the international foot is 0.3048 m exactly (NIST SP 811). */
const metric = /(\d+(?:\.\d+)?)\s*(mm|cm|m)\b/y;
const currencySign = /[$€£]\s?/y;
const nameSigns = /[A-Za-z_][A-Za-z0-9_]*/y;
const quoted = /["“]([^"“”]*)["”]/y;
const comparison = /<=|>=|<>|!=|==|[<>=≤≥≠]/y;

const tenThousandthsOfMetres: Record<string, bigint> = { mm: 10n, cm: 100n, m: 10_000n };
const comparisons: Record<string, Comparison> = {
  '<': '<',
  '<=': '<=',
  '≤': '<=',
  '>': '>',
  '>=': '>=',
  '≥': '>=',
  '=': '=',
  '==': '=',
  '!=': '!=',
  '<>': '!=',
  '≠': '!=',
};

/** The signs numbers are typed with: the decimal sign, and what sets thousands apart. */
interface Signs {
  readonly decimal: '.' | ',';
  readonly group: ',' | '.' | '’' | null;
}

/** The signs of a locale, as `Intl` writes its numbers. */
function signsOf(locale: string): Signs {
  const parts = new Intl.NumberFormat(locale, { useGrouping: true }).formatToParts(1_234_567.5);
  const sign = (type: 'decimal' | 'group') => parts.find((part) => part.type === type)?.value;
  const group = sign('group');
  return {
    decimal: sign('decimal') === ',' ? ',' : '.',
    // A straight apostrophe is the sign of feet; the curved one may set thousands apart.
    group: group === ',' || group === '.' ? group : group === "'" || group === '’' ? '’' : null,
  };
}

/** Numbers as such signs write them, thousands set apart by threes or not at all; with or without blanks between. */
function plainNumber({ decimal: point, group }: Signs, blanks: boolean): RegExp {
  const apart = [...(group === null ? [] : [`\\${group}`]), ...(blanks ? ['[ \\u00a0\\u202f\\u2009]'] : [])];
  const grouped = apart.map((sign) => `\\d{1,3}(?:${sign}\\d{3})+(?!\\d)`);
  return new RegExp(`(?:${[...grouped, '\\d{1,15}'].join('|')})(?:\\${point}\\d+)?|\\${point}\\d+`, 'y');
}

const open = signsOf('en-US');

function decimal(text: string): Ratio {
  const [whole = '', places = ''] = text.split('.');
  // Past 39 places nothing is left that a quantity could show.
  const kept = places.slice(0, 39);
  return reduced(BigInt((whole || '0') + kept), powerOfTen(kept.length));
}

const isFunction = (name: string): name is FunctionName =>
  (functionNames as readonly string[]).includes(name);

export interface ReadOptions {
  /** Without names (and all that comes with them) it reads what a plain quantity field takes. */
  readonly names: boolean;
  /** What may be typed at most. */
  readonly longest?: number;
  /** Whose decimal sign and thousands a typed number has; a stored formula is always read as `en-US`. */
  readonly locale?: string;
  /** Whether blanks may set thousands apart: `1 000.00`. */
  readonly blanks?: boolean;
}

/**
 * Reads a formula: numbers (`1,250.5`), lengths (`12' 6"`, `12ft 6 1/2in`, `3.6m`), names, `+ - * /`, parentheses,
 * comparisons, texts in quotes and the functions of {@link functionNames}. There is nothing else: no assignment, no
 * loop, no property, no other function.
 *
 * @throws FormulaError with a sentence and the place
 */
export function readFormula(text: string, options: ReadOptions = { names: true }): Tree {
  const longest = options.longest ?? LONGEST_FORMULA;
  const signs = options.locale === undefined ? open : signsOf(options.locale);
  const plain = plainNumber(signs, options.blanks === true);
  let at = 0;

  const blanks = () => {
    while (/\s/.test(text[at] ?? '')) at += 1;
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
  const unreadable = (place: number) => new FormulaError(`“${text[place]}” cannot be read here.`, place);

  const number = (): Tree | null => {
    const start = at;
    const length = (value: Ratio): Tree => ({ kind: 'number', at: start, value, exponent: 1 });
    const long = take(feetInches);
    if (long) {
      const whole = long[1] === undefined ? integer(0n) : decimal(long[1]);
      const bottom = BigInt(long[4] ?? '1');
      if (bottom === 0n) throw new FormulaError('Division by zero.', at);
      const inches =
        long[5] !== undefined
          ? decimal(long[5])
          : plus(decimal(long[2] ?? '0'), reduced(BigInt(long[3] ?? '0'), bottom));
      return length(plus(whole, times(inches, { top: 1n, bottom: 12n })));
    }
    const short = take(feet);
    if (short) return length(decimal(short[1] ?? '0'));
    const metres = take(metric);
    if (metres)
      return length(times(decimal(metres[1]!), reduced(tenThousandthsOfMetres[metres[2]!]!, 3048n)));
    const sign = take(currencySign);
    const bare = take(plain);
    if (!bare) {
      if (sign) at = start;
      return null;
    }
    const next = text[at];
    if ((next === ',' || next === '.') && /\d/.test(text[at + 1] ?? '') && !(options.names && next === ','))
      throw new FormulaError(
        `“${text.slice(start).split(/\s/)[0]}” can be read in two ways. Write one thousand and a half as ${signs.decimal === '.' ? '1,000.50 or 1000.50' : '1.000,50 or 1000,50'}.`,
        start,
      );
    const [whole = '', places = ''] = bare[0].split(signs.decimal);
    return {
      kind: 'number',
      at: start,
      value: decimal(`${whole.replace(/\D/g, '')}.${places}`),
      exponent: 0,
    };
  };

  const call = (name: string, start: number, depth: number): Tree => {
    if (!isFunction(name))
      throw new FormulaError(`“${name}” is no function here; there are ${functionNames.join(', ')}.`, start);
    const opened = at;
    at += 1;
    const args: Tree[] = [];
    if (isNext(')') === null) {
      args.push(compare(depth + 1));
      while (isNext(',;') !== null) {
        at += 1;
        args.push(compare(depth + 1));
      }
    }
    if (isNext(')') === null) throw new FormulaError('This parenthesis is not closed.', opened);
    at += 1;
    const [least, most] =
      name === 'if' ? [3, 3] : name === 'round' ? [1, 2] : [1, name.length === 3 ? 20 : 1];
    if (args.length < least! || args.length > most!)
      throw new FormulaError(
        name === 'if'
          ? '“if” takes three: a condition, what holds then, and what holds otherwise.'
          : `“${name}” takes ${least === most ? 'one value' : `${least} to ${most} values`}.`,
        start,
      );
    return { kind: 'call', at: start, name, args };
  };

  const value = (depth: number): Tree => {
    blanks();
    if (depth > DEEPEST) throw new FormulaError('Too many parentheses.', at);
    const start = at;
    if (text[at] === '(') {
      at += 1;
      const inner = options.names ? compare(depth + 1) : sum(depth + 1);
      if (isNext(')') === null) throw new FormulaError('This parenthesis is not closed.', start);
      at += 1;
      return inner;
    }
    if (text[at] === '-' || text[at] === '−') {
      at += 1;
      return { kind: 'negative', at: start, of: value(depth + 1) };
    }
    const found = number();
    if (found) return found;
    if (options.names) {
      const name = take(nameSigns)?.[0];
      if (name !== undefined)
        return isNext('(') === null ? { kind: 'name', at: start, name } : call(name, start, depth);
      const words = take(quoted);
      if (words) return { kind: 'text', at: start, value: words[1]! };
    }
    throw at >= text.length ? new FormulaError('Something is missing at the end.', at) : unreadable(at);
  };

  const product = (depth: number): Tree => {
    let left = value(depth);
    for (let sign = isNext('*×/'); sign !== null; sign = isNext('*×/')) {
      const place = at;
      at += 1;
      left = {
        kind: 'arithmetic',
        at: place,
        sign: sign === '/' ? '/' : '*',
        left,
        right: value(depth),
      };
    }
    return left;
  };

  const sum = (depth: number): Tree => {
    let left = product(depth);
    for (let sign = isNext('+-−'); sign !== null; sign = isNext('+-−')) {
      const place = at;
      at += 1;
      left = {
        kind: 'arithmetic',
        at: place,
        sign: sign === '+' ? '+' : '-',
        left,
        right: product(depth),
      };
    }
    return left;
  };

  function compare(depth: number): Tree {
    const left = sum(depth);
    blanks();
    const place = at;
    const sign = options.names ? take(comparison)?.[0] : undefined;
    if (sign === undefined) return left;
    return { kind: 'comparison', at: place, sign: comparisons[sign]!, left, right: sum(depth) };
  }

  if (text.trim() === '') throw new FormulaError('Type a quantity.', 0);
  if (text.length > longest) throw new FormulaError('That is too long.', longest);
  const tree = compare(0);
  blanks();
  if (at < text.length) throw unreadable(at);
  return tree;
}

const read = new Map<string, Tree | FormulaError>();

/** {@link readFormula} with names, remembered by its text: the same formula stands in many bundles. */
export function knownFormula(text: string): Tree {
  let answer = read.get(text);
  if (answer === undefined) {
    try {
      answer = readFormula(text);
    } catch (error) {
      if (!(error instanceof FormulaError)) throw error;
      answer = error;
    }
    if (read.size > 5000) read.clear();
    read.set(text, answer);
  }
  if (answer instanceof FormulaError) throw answer;
  return answer;
}
