/** A cell cannot be what its column says: a sentence for the row. */
export class RowError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'RowError';
  }
}

/** Text that an export kept from being taken for a formula has a quote before it; it is taken off again. */
export const unguarded = (text: string): string => (/^'[=+\-@\t\r]/.test(text) ? text.slice(1) : text);

/** `1.5e-3`, as spreadsheets write small numbers, with its point where it belongs: `0.0015`. */
function withoutExponent(text: string): string {
  const match = /^(\d+)(?:\.(\d+))?e([+-]?\d{1,2})$/i.exec(text);
  if (!match) return text;
  const [, whole = '', places = '', exponent = '0'] = match;
  const at = whole.length + Number(exponent);
  const digits = `${'0'.repeat(Math.max(0, 1 - at))}${whole}${places}${'0'.repeat(Math.max(0, at - whole.length - places.length))}`;
  const point = Math.max(at, 1);
  return `${digits.slice(0, point)}.${digits.slice(point) || '0'}`;
}

/**
 * A number as suppliers write it: `1,250.50`, `$ 3.15`, `1.250,50`, `3,15`, `12 %`. At most six decimals are kept.
 * @returns null for an empty cell
 * @throws RowError for anything else
 */
export function readNumber(name: string, cell: string | undefined): string | null {
  const text = unguarded((cell ?? '').trim());
  if (text === '') return null;
  if (text.startsWith('=')) throw new RowError(`${name} is a formula; a value is wanted.`);
  let digits = text.replace(/[$€£%\s\u00a0]|USD|EUR|GBP/g, '');
  const comma = digits.lastIndexOf(',');
  const point = digits.lastIndexOf('.');
  if (comma > point && (point >= 0 || digits.length - comma - 1 !== 3))
    digits = digits.replace(/\./g, '').replace(',', '.');
  else digits = digits.replace(/,/g, '');
  digits = withoutExponent(digits);
  if (!/^-?\d{1,12}(\.\d+)?$/.test(digits) && !/^-?\.\d+$/.test(digits))
    throw new RowError(`${name} is “${text.slice(0, 40)}”, which is no number.`);
  if (digits.startsWith('-')) throw new RowError(`${name} is below zero.`);
  const [whole = '0', places = ''] = digits.split('.');
  const kept = places.slice(0, 6).replace(/0+$/, '');
  return `${(whole || '0').replace(/^0+(?=\d)/, '')}${kept === '' ? '' : `.${kept}`}`;
}
