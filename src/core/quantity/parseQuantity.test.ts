import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import { writeFixed } from '../number';
import { FormulaError } from '../formula';
import { parseQuantity, readAddLine } from '.';

const read = (text: string, places?: number) => writeFixed(parseQuantity(text, places));

describe('typed quantities', () => {
  test.each([
    ['12', '12'],
    ['1,250.5', '1250.5'],
    ['.5', '0.5'],
    ['38+64+22', '124'],
    ['2*(12+9.5)', '43'],
    ['2 × (12 + 9.5)', '43'],
    ['100/3', '33.333'],
    ['1/3*3', '1'],
    ['-4+10', '6'],
    [`12' 6"`, '12.5'],
    ['12ft 6 1/2in', '12.542'],
    [`12'6" + 3'`, '15.5'],
    ['6in', '0.5'],
    ['200ft/8', '25'],
    // The international foot is 0.3048 m exactly: NIST SP 811, appendix B.
    ['3.048m', '10'],
    ['30.48 cm + 304.8mm', '2'],
  ])('%s → %s', (typed, value) => expect(read(typed)).toBe(value));

  test('rounds once, half away from zero, to the places asked for', () => {
    expect(read('1/8', 2)).toBe('0.13');
    expect(read('-1/8', 2)).toBe('-0.13');
  });

  test.each([
    ['', 0, 'Type a quantity.'],
    ['12 joist', 3, '“j” cannot be read here.'],
    ['(1+2', 0, 'This parenthesis is not closed.'],
    ['1+', 2, 'Something is missing at the end.'],
    ['4/0', 1, 'Division by zero.'],
    ['4/(2-2)', 1, 'Division by zero.'],
    ['process.exit()', 0, '“p” cannot be read here.'],
  ])('%s is refused with its place', (typed, at, message) => {
    try {
      parseQuantity(typed);
      throw new Error('was read');
    } catch (error) {
      expect(error).toBeInstanceOf(FormulaError);
      expect(error).toMatchObject({ at, message });
    }
  });

  test('never throws anything but its own error', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...`0123456789.+-*/()'" ftin,`), maxLength: 24 }),
        (text) => {
          try {
            parseQuantity(text);
          } catch (error) {
            expect(error).toBeInstanceOf(FormulaError);
          }
        },
      ),
    );
  });

  // decimal.js as the general-purpose reference: sums, differences, products and terminating quotients.
  test('arithmetic is exact and rounded once at the end', () => {
    Decimal.set({ precision: 200 });
    interface Term {
      readonly text: string;
      readonly value: Decimal;
    }
    const number = fc.integer({ min: 0, max: 99_999 }).map((n): Term => {
      const value = new Decimal(n).dividedBy(100);
      return { text: value.toFixed(), value };
    });
    const { term } = fc.letrec<{ term: Term }>((tie) => ({
      term: fc.oneof(
        { maxDepth: 4 },
        number,
        fc.tuple(tie('term'), fc.constantFrom('+', '-', '*'), tie('term')).map(([a, sign, b]): Term => ({
          text: `(${a.text} ${sign} ${b.text})`,
          value:
            sign === '+'
              ? a.value.plus(b.value)
              : sign === '-'
                ? a.value.minus(b.value)
                : a.value.times(b.value),
        })),
        fc
          .tuple(tie('term'), fc.constantFrom(2, 4, 5, 8))
          .map(([a, by]): Term => ({ text: `${a.text}/${by}`, value: a.value.dividedBy(by) })),
      ),
    }));
    fc.assert(
      fc.property(term, ({ text, value }) => {
        fc.pre(text.length <= 200 && value.abs().lessThan(1e11));
        expect(read(text)).toBe(new Decimal(value.toFixed(3, Decimal.ROUND_HALF_UP)).toFixed());
      }),
      { numRuns: 400 },
    );
  });

  test('what is absurd is said, not computed', () => {
    expect(() => parseQuantity(`${'('.repeat(60)}1`)).toThrow('Too many parentheses.');
    expect(() => parseQuantity('9'.repeat(201))).toThrow('That is too long.');
    expect(() => parseQuantity('999999999999*999999999999')).toThrow('That is too large.');
    expect(read(`0.${'0'.repeat(45)}1`)).toBe('0');
    expect(read(`1.${'3'.repeat(60)}`)).toBe('1.333');
  });
});

describe('amounts, wherever they are typed', () => {
  test.each([
    ['1,000', '1000'],
    ['$1,000.00', '1000'],
    ['$ 12.50', '12.5'],
    ['1 000.00', '1000'],
    ['1\u00a0234\u00a0567.5', '1234567.5'],
    ['2 × $1,250', '2500'],
    ['1000000', '1000000'],
  ])('%s → %s', (typed, value) => expect(read(typed)).toBe(value));

  // As a comma could mean either, it is never guessed at.
  test.each(['12,5', '1,00', '1,0000', '1250,000', '1.000,50', '1,000,5', '1.2.3'])(
    '%s is refused',
    (typed) => expect(() => parseQuantity(typed)).toThrow(FormulaError),
  );
  test('the refusal says both ways to write it', () =>
    expect(() => parseQuantity('12,5')).toThrow(
      '“12,5” can be read in two ways. Write one thousand and a half as 1,000.50 or 1000.50.',
    ));

  test.each([
    ['de-DE', '1.000,50', '1000.5'],
    ['de-DE', '12,5', '12.5'],
    ['en-US', '1,000.50', '1000.5'],
    ['fr-FR', '1 000,5', '1000.5'],
    ['de-CH', '1’000.50', '1000.5'],
  ])('in %s, %s → %s', (locale, typed, value) =>
    expect(writeFixed(parseQuantity(typed, 3, { locale }))).toBe(value),
  );

  test('what Intl writes in a locale is read in it', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('en-US', 'de-DE', 'fr-FR', 'en-GB', 'es-MX'),
        fc.integer({ min: 0, max: 10 ** 12 }),
        (locale, cents) => {
          const shown = new Intl.NumberFormat(locale, { minimumFractionDigits: 2 }).format(cents / 100);
          expect(parseQuantity(shown, 2, { locale })).toBe(BigInt(cents) * 10_000n);
        },
      ),
    ));
});

describe('in a unit', () => {
  // One of each in another: NIST SP 811, appendix B.8 (from memory), as far as it is printed there.
  test.each([
    ['1 ft', 'm', '0.3048'],
    ['1 m', 'ft', '3.28084'],
    ['1 sq ft', 'sqm', '0.092903'],
    ['1 m2', 'sqft', '10.76391'],
    ['1 cu yd', 'cum', '0.764555'],
    ['1 m³', 'cuyd', '1.307951'],
    ['1 m3', 'liter', '1000'],
    ['231 in * 1 in * 1 in', 'gal', '1'],
    [`12' * 10'`, 'sqft', '120'],
    [`20' * 30'`, 'square', '6'],
    ['20 ft * 10 ft * 6 in', 'cuyd', '3.703704'],
    ['380 SF', 'square', '3.8'],
    // A bare number is in the unit already.
    ['12', 'sqm', '12'],
    ['4.5 * 4', 'sqm', '18'],
    ['4.5m * 4m', 'sqm', '18'],
    [`12' 6"`, 'm', '3.81'],
    ['6', 'each', '6'],
  ] as const)('%s in %s → %s', (typed, unit, value) =>
    expect(writeFixed(parseQuantity(typed, 6, { unit }))).toBe(value),
  );

  test.each([
    ['12 m2', 'ft', 'an area'],
    ['3.5 m', 'sqm', 'a length'],
    [`12'`, 'each', 'a length'],
    ['3 m3', 'hour', 'a volume'],
  ] as const)('%s is no %s', (typed, unit, is) =>
    expect(() => parseQuantity(typed, 3, { unit })).toThrow(`This comes to ${is}`),
  );

  test('there and back it is what it was, to the last place but one', () => {
    const pairs = [
      ['m', 'ft', 'ft'],
      ['m2', 'sqft', 'sq ft'],
      ['m3', 'cuyd', 'cu yd'],
    ] as const;
    const metric = { m: 'm', m2: 'sqm', m3: 'cum' } as const;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10 ** 8 }),
        fc.constantFrom(...pairs),
        (n, [sign, unit, word]) => {
          const there = parseQuantity(`${n / 1000} ${sign}`, 6, { unit });
          const back = parseQuantity(`${writeFixed(there)} ${word}`, 3, { unit: metric[sign] });
          expect(back).toBe(BigInt(n) * 1000n);
        },
      ),
    );
  });
});

describe('the add line: a quantity, if it begins with one, and words', () => {
  test.each([
    ['12 joist', '12', 'joist'],
    ['joist', null, 'joist'],
    ['38+64+22 screen mesh', '124', 'screen mesh'],
    [`12' 6" gutter`, '12.5', 'gutter'],
    ['12 ft 6 in gutter', '12.5', 'gutter'],
    ['2 * (12 + 9.5) trim', '43', 'trim'],
    ['.5 square', '0.5', 'square'],
    ['1,250 sheathing', '1250', 'sheathing'],
    // Sizes of lumber are words, not quantities.
    ['2x4 stud', null, '2x4 stud'],
    ['12 2x4 stud', '12', '2x4 stud'],
    ['100% mesh', null, '100% mesh'],
    ['  7   door  ', '7', 'door'],
    ['12', '12', ''],
    ['4/0 door', null, '4/0 door'],
    // A blank ends the quantity here: 200 is a word of what is looked for.
    ['2 200 amp panel', '2', '200 amp panel'],
    ['', null, ''],
    ['12 set', '12', 'set'],
    ['2 squares', '2', 'squares'],
  ])('%s', (typed, quantity, words) => expect(readAddLine(typed)).toEqual({ quantity, words }));

  test.each([
    ['380 sf screen mesh @2.15', { quantity: '380', unit: 'sqft', words: 'screen mesh', price: '2.15' }],
    ['62 ft cove base @3.10', { quantity: '62', unit: 'ft', words: 'cove base', price: '3.1' }],
    ['38+24 feet rail', { quantity: '62', unit: 'ft', words: 'rail' }],
    ['4 hrs carpenter', { quantity: '4', unit: 'hour', words: 'carpenter' }],
    ['door @ $1,180', { quantity: null, words: 'door', price: '1180' }],
    ['6 ea post @2*45', { quantity: '6', unit: 'each', words: 'post', price: '90' }],
    ['ask @ home', { quantity: null, words: 'ask @ home' }],
    ['12 sq ft decking', { quantity: '12', unit: 'sqft', words: 'decking' }],
    ['12 m2 tiles @30', { quantity: '12', unit: 'sqm', words: 'tiles', price: '30' }],
    ['4.5*4 m² tiles', { quantity: '18', unit: 'sqm', words: 'tiles' }],
    ['3.5 m handrail', { quantity: '3.5', unit: 'm', words: 'handrail' }],
    ['250 cm rail', { quantity: '2.5', unit: 'm', words: 'rail' }],
    ['2.4m + 1.2m rail', { quantity: '3.6', unit: 'm', words: 'rail' }],
    ['2 cu yd concrete', { quantity: '2', unit: 'cuyd', words: 'concrete' }],
    ['0.5 m3 concrete', { quantity: '0.5', unit: 'cum', words: 'concrete' }],
    ['2 kg nails', { quantity: '2', unit: 'kg', words: 'nails' }],
    // Not a unit, but the beginning of a word.
    ['12 mirror', { quantity: '12', words: 'mirror' }],
    ['3 m2x fitting', { quantity: '3', words: 'm2x fitting' }],
  ])('%s in one go', (typed, read) => expect(readAddLine(typed)).toEqual(read));
});
