import type { UnitCode } from '@/model';
import type { Ratio } from '../number';
import { integer, plus, powerOfTen, reduced, times } from '../number';
import type { Signs } from './signs';
import { plainNumber, signsOf } from './signs';
import type { Comparison, FunctionName, Tree } from './tree';
import { FormulaError, functionNames } from './tree';
import type { NumberValue } from './value';
import { fromUnit, numberValue } from './value';

/** What may be typed at most; it bounds the work as well. */
export const LONGEST_FORMULA = 500;
const DEEPEST = 40;

const feetInches =
  /(?:(\d+(?:\.\d+)?)\s*(?:'|′|ft\b)\s*)?(?:(?:(\d+)\s+)?(\d+)\/(\d+)|(\d+(?:\.\d+)?))\s*(?:"|″|in\b)/y;
const feet = /(\d+(?:\.\d+)?)\s*(?:'|′|ft\b)/y;
/** Metres and their parts; the international foot is 0.3048 m exactly (NIST SP 811). */
const metric = /(\d+(?:\.\d+)?)\s*(mm|cm|m)\b/y;
/** Areas and volumes as they are written by hand. */
const measured =
  /(\d+(?:\.\d+)?)\s*(m2|m²|sq\.?\s?m|sqm|ft2|ft²|sq\.?\s?ft|sqft|sf|m3|m³|cu\.?\s?m|ft3|ft³|cu\.?\s?ft|yd3|yd³|cu\.?\s?yd|cuyd|cy)(?![A-Za-z0-9_²³])/iy;
const currencySign = /[$€£]\s?/y;
const nameSigns = /[A-Za-z_][A-Za-z0-9_]*/y;
const quoted = /["“]([^"“”]*)["”]/y;
const comparison = /<=|>=|<>|!=|==|[<>=≤≥≠]/y;

const tenThousandthsOfMetres: Record<string, bigint> = { mm: 10n, cm: 100n, m: 10_000n };
const measuredUnits: Record<string, UnitCode> = {
  m2: 'sqm',
  sqm: 'sqm',
  ft2: 'sqft',
  sqft: 'sqft',
  sf: 'sqft',
  m3: 'cum',
  cum: 'cum',
  yd3: 'cuyd',
  cuyd: 'cuyd',
  cy: 'cuyd',
};
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

const open = signsOf('en-US');

function decimal(text: string): Ratio {
  const [whole = '', places = ''] = text.split('.');
  // Past 39 places nothing is left that a quantity could show.
  const kept = places.slice(0, 39);
  return reduced(BigInt((whole || '0') + kept), powerOfTen(kept.length));
}

const isFunction = (name: string): name is FunctionName =>
  (functionNames as readonly string[]).includes(name);

/** How many values a function takes, at least and at most. */
const argumentsOf = (name: FunctionName): readonly [least: number, most: number] => {
  if (name === 'if') return [3, 3];
  if (name === 'round') return [1, 2];
  return [1, name.length === 3 ? 20 : 1];
};

type Arithmetic = Extract<Tree, { kind: 'arithmetic' }>['sign'];

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

/** Reads one text from its first sign to its last; each method takes what it reads and goes on behind it. */
class Reader {
  readonly #text: string;
  readonly #names: boolean;
  readonly #signs: Signs;
  readonly #plain: RegExp;
  #at = 0;

  constructor(text: string, options: ReadOptions) {
    this.#text = text;
    this.#names = options.names;
    this.#signs = options.locale === undefined ? open : signsOf(options.locale);
    this.#plain = plainNumber(this.#signs, options.blanks === true);
  }

  whole(): Tree {
    const tree = this.#compare(0);
    this.#blanks();
    if (this.#at < this.#text.length) throw this.#unreadable();
    return tree;
  }

  #blanks(): void {
    while (/\s/.test(this.#text[this.#at] ?? '')) this.#at += 1;
  }

  #take(pattern: RegExp): RegExpExecArray | null {
    pattern.lastIndex = this.#at;
    const found = pattern.exec(this.#text);
    if (found) this.#at = pattern.lastIndex;
    return found;
  }

  /** Whether one of these signs comes next; it is not taken. */
  #isNext(signs: string): string | null {
    this.#blanks();
    const sign = this.#text[this.#at];
    return sign !== undefined && signs.includes(sign) ? sign : null;
  }

  #unreadable(): FormulaError {
    return new FormulaError(`“${this.#text[this.#at]}” cannot be read here.`, this.#at);
  }

  /** Takes what closes a parenthesis. */
  #close(opened: number): void {
    if (this.#isNext(')') === null) throw new FormulaError('This parenthesis is not closed.', opened);
    this.#at += 1;
  }

  /** A length in feet and inches or in metres, as a number of feet. */
  #length(): Ratio | null {
    const long = this.#take(feetInches);
    if (long) {
      const whole = long[1] === undefined ? integer(0n) : decimal(long[1]);
      const bottom = BigInt(long[4] ?? '1');
      if (bottom === 0n) throw new FormulaError('Division by zero.', this.#at);
      const inches =
        long[5] !== undefined
          ? decimal(long[5])
          : plus(decimal(long[2] ?? '0'), reduced(BigInt(long[3] ?? '0'), bottom));
      return plus(whole, times(inches, { top: 1n, bottom: 12n }));
    }
    const short = this.#take(feet);
    if (short) return decimal(short[1] ?? '0');
    const metres = this.#take(metric);
    return metres && times(decimal(metres[1]!), reduced(tenThousandthsOfMetres[metres[2]!]!, 3048n));
  }

  /** A number without a unit, with the sign of a currency or not. */
  #bare(): Ratio | null {
    const start = this.#at;
    const sign = this.#take(currencySign);
    const bare = this.#take(this.#plain);
    if (!bare) {
      if (sign) this.#at = start;
      return null;
    }
    const next = this.#text[this.#at];
    const goesOn = (next === ',' || next === '.') && /\d/.test(this.#text[this.#at + 1] ?? '');
    if (goesOn && !(this.#names && next === ','))
      throw new FormulaError(
        `“${this.#text.slice(start).split(/\s/)[0]}” can be read in two ways. Write one thousand and a half as ${this.#signs.decimal === '.' ? '1,000.50 or 1000.50' : '1.000,50 or 1000,50'}.`,
        start,
      );
    const [whole = '', places = ''] = bare[0].split(this.#signs.decimal);
    return decimal(`${whole.replace(/\D/g, '')}.${places}`);
  }

  /** An area or a volume with its unit: `12 m2`, `380 sq ft`, `2.5 m³`. */
  #area(): NumberValue | null {
    const found = this.#take(measured);
    if (!found) return null;
    const unit = found[2]!.toLowerCase().replace(/[.\s]/g, '').replace('²', '2').replace('³', '3');
    // A cubic foot is what volumes are kept in.
    if (unit === 'ft3' || unit === 'cuft') return numberValue(decimal(found[1]!), 3);
    return fromUnit(decimal(found[1]!), measuredUnits[unit]!);
  }

  #number(): Tree | null {
    const at = this.#at;
    const area = this.#area();
    if (area) return { kind: 'number', at, value: area.ratio, exponent: area.exponent };
    const length = this.#length();
    if (length) return { kind: 'number', at, value: length, exponent: 1 };
    const value = this.#bare();
    return value && { kind: 'number', at, value, exponent: 0 };
  }

  #call(name: string, start: number, depth: number): Tree {
    if (!isFunction(name))
      throw new FormulaError(`“${name}” is no function here; there are ${functionNames.join(', ')}.`, start);
    const opened = this.#at;
    this.#at += 1;
    const args: Tree[] = [];
    if (this.#isNext(')') === null) {
      args.push(this.#compare(depth + 1));
      while (this.#isNext(',;') !== null) {
        this.#at += 1;
        args.push(this.#compare(depth + 1));
      }
    }
    this.#close(opened);
    const [least, most] = argumentsOf(name);
    if (args.length < least || args.length > most)
      throw new FormulaError(
        name === 'if'
          ? '“if” takes three: a condition, what holds then, and what holds otherwise.'
          : `“${name}” takes ${least === most ? 'one value' : `${least} to ${most} values`}.`,
        start,
      );
    return { kind: 'call', at: start, name, args };
  }

  #value(depth: number): Tree {
    this.#blanks();
    const start = this.#at;
    if (depth > DEEPEST) throw new FormulaError('Too many parentheses.', start);
    const sign = this.#text[start];
    if (sign === '(') {
      this.#at += 1;
      const inner = this.#names ? this.#compare(depth + 1) : this.#sum(depth + 1);
      this.#close(start);
      return inner;
    }
    if (sign === '-' || sign === '−') {
      this.#at += 1;
      return { kind: 'negative', at: start, of: this.#value(depth + 1) };
    }
    const found = this.#number() ?? (this.#names ? this.#word(depth) : null);
    if (found) return found;
    throw this.#at >= this.#text.length
      ? new FormulaError('Something is missing at the end.', this.#at)
      : this.#unreadable();
  }

  /** A name, a call of a function, or a text in quotes. */
  #word(depth: number): Tree | null {
    const at = this.#at;
    const name = this.#take(nameSigns)?.[0];
    if (name !== undefined)
      return this.#isNext('(') === null ? { kind: 'name', at, name } : this.#call(name, at, depth);
    const words = this.#take(quoted);
    return words && { kind: 'text', at, value: words[1]! };
  }

  /** Operands with signs of one rank between them, read from the left. */
  #chain(signs: string, operand: () => Tree, signOf: (sign: string) => Arithmetic): Tree {
    let left = operand();
    for (let sign = this.#isNext(signs); sign !== null; sign = this.#isNext(signs)) {
      const at = this.#at;
      this.#at += 1;
      left = { kind: 'arithmetic', at, sign: signOf(sign), left, right: operand() };
    }
    return left;
  }

  #product(depth: number): Tree {
    return this.#chain(
      '*×/',
      () => this.#value(depth),
      (sign) => (sign === '/' ? '/' : '*'),
    );
  }

  #sum(depth: number): Tree {
    return this.#chain(
      '+-−',
      () => this.#product(depth),
      (sign) => (sign === '+' ? '+' : '-'),
    );
  }

  #compare(depth: number): Tree {
    const left = this.#sum(depth);
    this.#blanks();
    const at = this.#at;
    const sign = this.#names ? this.#take(comparison)?.[0] : undefined;
    if (sign === undefined) return left;
    return { kind: 'comparison', at, sign: comparisons[sign]!, left, right: this.#sum(depth) };
  }
}

/**
 * Reads a formula: numbers (`1,250.5`), lengths (`12' 6"`, `12ft 6 1/2in`, `3.6m`), areas and volumes (`12 m2`), names, `+ - * /`, parentheses,
 * comparisons, texts in quotes and the functions of {@link functionNames}. There is nothing else: no assignment, no
 * loop, no property, no other function.
 *
 * @throws FormulaError with a sentence and the place
 * @example readFormula("ceil(run / 8ft) + 1")
 */
export function readFormula(text: string, options: ReadOptions = { names: true }): Tree {
  const longest = options.longest ?? LONGEST_FORMULA;
  if (text.trim() === '') throw new FormulaError('Type a quantity.', 0);
  if (text.length > longest) throw new FormulaError('That is too long.', longest);
  return new Reader(text, options).whole();
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
