import fc from 'fast-check';
import type { UnitCode } from '@/model';
import { runs } from '../../../tests/support/documents';
import { integer, reduced, writeFixed } from '../number';
import type { Scope, Value } from '.';
import { FormulaError, evaluate, formulaQuantity, fromUnit, inUnit, numberValue, readFormula } from '.';

const names: Record<string, Value> = {
  run: numberValue(integer(200n), 1),
  spacing: numberValue(integer(8n), 1),
  floor: numberValue(integer(240n), 2),
  posts: numberValue(integer(26n), 0),
  stairs: { kind: 'truth', truth: true },
  boards: { kind: 'text', text: 'Cedar' },
};
const known = new Map(Object.entries(names));
const scope: Scope = (name) => (name === 'broken' ? { trouble: '“broken” went wrong.' } : known.get(name));
const quantity = (formula: string, unit: UnitCode = 'each') =>
  writeFixed(formulaQuantity(formula, unit, scope));

describe('formulas', () => {
  test.each<[string, UnitCode, string]>([
    ['ceil(run / spacing) + 1', 'each', '26'],
    ['ceil(run/8)+1', 'each', '26'],
    ['run * 1.1', 'ft', '220'],
    ['floor * 4in', 'cuyd', '2.963'],
    ['floor * 1in', 'bdft', '240'],
    ['floor', 'square', '2.4'],
    ['floor(run / 7ft)', 'each', '28'],
    ['if(stairs, posts, 0)', 'each', '26'],
    ['if(boards = "cedar", 3, 4)', 'each', '3'],
    ['if(run > 100 , 2, 1)', 'each', '2'],
    ['if(posts <> 26, 1, 5)', 'each', '5'],
    ['max(posts, 4, 30)', 'each', '30'],
    ['min(run, 12\' 6")', 'ft', '12.5'],
    ['round(run / 7, 1)', 'ft', '28.6'],
    ['-run + 201ft', 'ft', '1'],
    ['1/3*3', 'each', '1'],
  ])('%s in %s is %s', (formula, unit, value) => expect(quantity(formula, unit)).toBe(value));

  test.each<[string, UnitCode, number, string]>([
    ['run + floor', 'ft', 4, 'A length and an area cannot be added.'],
    ['if(run > floor, 1, 2)', 'ft', 7, 'A length and an area cannot be compared.'],
    [
      'run / 8',
      'each',
      0,
      'This comes to a length, but a count is wanted here (each). Divide by a size with its unit, such as 8ft',
    ],
    ['run * 8', 'sqft', 0, 'This comes to a length, but sq ft measures an area. Write sizes with'],
    ['walls', 'sqft', 0, '“walls” is not known here.'],
    ['2 * broken', 'each', 4, '“broken” went wrong.'],
    ['posts / (posts - 26)', 'each', 6, 'Division by zero.'],
    ['boards + 1', 'each', 0, '“Cedar” is a text, but a number is wanted here.'],
    ['stairs', 'each', 0, 'This is no quantity.'],
    ['sqrt(posts)', 'each', 0, '“sqrt” is no function here'],
    ['if(stairs, 1)', 'each', 0, '“if” takes three'],
    ['posts - 30', 'each', 0, 'less than nothing'],
    ['posts * 999999', 'each', 0, 'more than a million'],
    ['ceil(1', 'each', 4, 'This parenthesis is not closed.'],
    ['posts = 3; posts', 'each', 9, '“;” cannot be read here.'],
    ['posts.length', 'each', 5, '“.” cannot be read here.'],
    ['boards["x"]', 'each', 6, '“[” cannot be read here.'],
  ])('%s: a sentence at its place', (formula, unit, at, words) => {
    let error: unknown;
    try {
      quantity(formula, unit);
    } catch (thrown) {
      error = thrown;
    }
    expect(error).toBeInstanceOf(FormulaError);
    expect(error).toMatchObject({ at, message: expect.stringContaining(words) as string });
  });

  test('a quantity in a unit comes back as the same quantity', () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: 0n, max: 10n ** 12n }),
        fc.constantFrom<UnitCode>('each', 'ft', 'sqft', 'square', 'cuyd', 'bdft', 'hour'),
        (n, unit) => expect(inUnit(fromUnit(reduced(n, 1000n), unit), unit)).toEqual(reduced(n, 1000n)),
      ),
    );
  });

  // Whatever is typed: an answer or a sentence at a place inside the text, and nothing asked for but names in it.
  test('anything typed gives a value or a sentence, and reaches nothing but the names it is given', () => {
    const tokens = fc.constantFrom(
      ...['run', 'floor', 'posts', 'stairs', 'boards', 'broken', 'ceil(', 'if(', 'min(', 'round(', '(', ')'],
      ...['+', '-', '*', '/', '<', '>=', '=', ',', ';', '"', "'", '12', '0', '.5', '1/2in', "6'", ' ', '\n'],
      ...[
        'constructor',
        '__proto__',
        'toString',
        'globalThis',
        'process',
        'this',
        '=>',
        '[',
        ']',
        '.',
        '`',
        '$',
      ],
    );
    const asked = new Set<string>();
    const watching: Scope = (name) => {
      asked.add(name);
      return scope(name);
    };
    fc.assert(
      fc.property(
        fc.oneof(
          fc.array(tokens, { maxLength: 40 }).map((t) => t.join('')),
          fc.string(),
        ),
        (text) => {
          asked.clear();
          try {
            const value = evaluate(readFormula(text), watching);
            expect(['number', 'text', 'truth']).toContain(value.kind);
          } catch (error) {
            if (!(error instanceof FormulaError)) throw error;
            expect(error.at).toBeGreaterThanOrEqual(0);
            expect(error.at).toBeLessThanOrEqual(Math.max(text.length, 500));
            expect(error.message).toMatch(/[.”]$/);
          }
          for (const name of asked) expect(text).toContain(name);
        },
      ),
      { numRuns: runs(2000) },
    );
  });

  test('the work is bounded: a tower of products and a tower of parentheses are refused', () => {
    const big: Scope = () => numberValue(integer(10n ** 30n), 0);
    expect(() => evaluate(readFormula(Array(250).fill('a').join('*')), big)).toThrow('That is too large.');
    expect(() => readFormula('('.repeat(400) + '1')).toThrow('Too many parentheses.');
    expect(() => readFormula('1+'.repeat(300))).toThrow('That is too long.');
  });
});
