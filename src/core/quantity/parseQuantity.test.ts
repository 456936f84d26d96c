import fc from 'fast-check';
import { writeFixed } from '../number';
import { QuantityError, parseQuantity } from '.';

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
      expect(error).toBeInstanceOf(QuantityError);
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
            expect(error).toBeInstanceOf(QuantityError);
          }
        },
      ),
    );
  });
});
