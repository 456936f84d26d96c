import canonicalize from 'canonicalize';
import currencyCodes from 'currency-codes';
import Papa from 'papaparse';
import { minorDigits } from '@/core/number';
import { libraryColumns, libraryCsv } from '@/formats/csv/libraryCsv';
import { units } from '@/model';
import { hasValidCheckDigit, trialCards } from '@/gateways/cards/standIn';
import { invoiceSchema } from '@e-invoice-eu/core';

// ISO 4217, minor units, as the package currency-codes carries the standard's table.
test('minor units of every currency of ISO 4217', () => {
  const metals = /^X(AG|AU|BA|BB|BC|BD|DR|PD|PT|SU|TS|UA|XX)$/;
  for (const { code, digits } of currencyCodes.data)
    if (!metals.test(code)) expect([code, minorDigits(code)]).toEqual([code, digits]);
});

// UN/ECE Recommendation 20 codes, as the code list in @e-invoice-eu/core carries them.
test('unit codes are codes of UN/ECE Recommendation 20', () => {
  const text = JSON.stringify(invoiceSchema);
  for (const { unece } of Object.values(units)) expect(text).toContain(`"${unece}"`);
});

// RFC 8785, section 3.2.2 (example of canonical serialisation) and 3.2.3 (sorting of property names), from memory.
test('canonical JSON after RFC 8785', () => {
  const input = JSON.parse(
    '{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],"string":"\\u20ac$\\u000F\\u000aA\'\\u0042\\u0022\\u005c\\\\\\"\\/","literals":[null,true,false]}',
  );
  expect(canonicalize(input)).toBe(
    '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
  );
  const sorted = canonicalize({
    '€': 'Euro Sign',
    '\r': 'Carriage Return',
    '\ufb33': 'Hebrew',
    '1': 'One',
    '😀': 'Smiley',
    '\u0080': 'Control',
    ö: 'o',
  });
  expect(sorted!.indexOf('Carriage')).toBeLessThan(sorted!.indexOf('One'));
  expect(sorted!.indexOf('Smiley')).toBeLessThan(sorted!.indexOf('Hebrew'));
});

// RFC 4180, read back by a parser.
test('the library as CSV is read back as it was: commas, quotes, line breaks', () => {
  const item = {
    internalNote: '',
    retired: false,
    code: 'A,1',
    name: 'Joist 2×8, 14" "treated"',
    detail: 'first line\nsecond line',
    trade: 'Frame',
    unit: 'each' as const,
    costs: [
      { type: 'material' as const, amount: '21.40' },
      { type: 'labour' as const, hours: '0.35', rate: '46' },
    ],
    taxClass: 'standard',
    costCode: '06',
    tags: ['floor', 'pine'],
  };
  const text = libraryCsv([item]);
  expect(text.endsWith('\r\n')).toBe(true);
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  expect(errors).toEqual([]);
  expect(Object.keys(data[0]!)).toEqual([...libraryColumns]);
  expect(data[0]).toMatchObject({
    code: item.code,
    name: item.name,
    detail: item.detail,
    material: '21.4',
    labour_hours: '0.35',
    labour_rate: '46',
    tags: 'floor pine',
  });
});

// ISO/IEC 7812-1 annex B; 79927398713 is the textbook example of the check digit (from memory), lengthened by the rule.
test('check digits of card numbers', () => {
  expect(hasValidCheckDigit('079927398713')).toBe(true);
  expect(hasValidCheckDigit('079927398710')).toBe(false);
  for (const number of Object.values(trialCards))
    expect(hasValidCheckDigit(number.replace(/ /g, ''))).toBe(true);
});
