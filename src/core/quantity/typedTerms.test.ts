import type { TypedTerms } from './typedTerms';
import { readDays, readTypedTerms } from './typedTerms';

const typed = (
  percent: string,
  { upTo = '30,000', fee = '$1,050.00', margin = ' 12.5 % ' } = {},
): TypedTerms => ({
  usual: {
    shows: 'total',
    loads: [{ id: 'overhead', name: 'Overhead', kind: 'overhead', percent, base: 'direct' }],
    fees: [],
    taxClasses: [
      { id: 'standard', name: 'Taxed', components: [{ id: 'sales', name: 'Sales tax', percent: '6 %' }] },
    ],
    schedule: [
      {
        id: 'deposit',
        name: 'Deposit',
        kind: 'deposit',
        share: { percent: '33 + 1/3' },
        due: { on: 'acceptance' },
      },
    ],
  },
  pricing: { loadSets: [], limits: { margin, byTrade: { Roof: '8' } } },
  money: {
    presets: [{ id: 'small', name: 'Small jobs', upTo, schedule: [] }],
    late: { kind: 'fee', amount: fee, graceDays: 10 },
  },
});

test('numbers of the settings are read as everywhere', () => {
  const { usual, pricing, money } = readTypedTerms(typed('17.5%'), 2);
  expect(usual.loads[0]!.percent).toBe('17.5');
  expect(usual.taxClasses[0]!.components[0]!.percent).toBe('6');
  expect(usual.schedule[0]!.share).toEqual({ percent: '33.3333' });
  expect(pricing.limits).toEqual({ margin: '12.5', byTrade: { Roof: '8' } });
  expect(money.presets[0]!.upTo).toBe('30000');
  expect(money.late).toEqual({ kind: 'fee', amount: '1050', graceDays: 10 });
});

test('a tax and its class have a name, and a tax is 100 % at most', () => {
  const withTax = (name: string, tax: string, percent: string) => {
    const { usual, ...rest } = typed('15');
    const taxClasses = [{ id: 'a', name, components: [{ id: 'b', name: tax, percent }] }];
    return () => readTypedTerms({ ...rest, usual: { ...usual, taxClasses } }, 2);
  };
  expect(withTax('  ', 'State', '6')).toThrow('A tax class needs a name.');
  expect(withTax('Taxed', '', '6')).toThrow('A tax of “Taxed” needs a name.');
  expect(withTax('Taxed', 'State', '101')).toThrow(/^State: /);
  expect(withTax(' Taxed ', ' State ', '6.25')().usual.taxClasses).toEqual([
    { id: 'a', name: 'Taxed', components: [{ id: 'b', name: 'State', percent: '6.25' }] },
  ]);
});

test('what stands already stays as it is', () => {
  const once = readTypedTerms(typed('15'), 2);
  expect(readTypedTerms(once, 2)).toEqual(once);
});

test('what cannot be read is named; a comma is no decimal point here', () => {
  expect(() => readTypedTerms(typed('8,25'), 2)).toThrow(/^Overhead: /);
  expect(() => readTypedTerms(typed(''), 2)).toThrow(/^Overhead: /);
  expect(() => readTypedTerms(typed('15', { upTo: 'thirty' }), 2)).toThrow(/^Small jobs, up to: /);
  expect(() => readTypedTerms(typed('15', { fee: '-5' }), 2)).toThrow(/^The late fee: /);
  expect(() => readTypedTerms(typed('15', { margin: '100' }), 2)).toThrow(/^The least margin: .*0 to 99/);
});

test('ways of payment have names that tell them apart', () => {
  const ways = (...names: string[]) => ({
    ...typed('15'),
    money: {
      presets: [],
      methods: names.map((name, i) => ({ id: `m${i}`, name, like: 'cash' as const })),
    },
  });
  expect(readTypedTerms(ways(' Money order '), 2).money.methods).toEqual([
    { id: 'm0', name: 'Money order', like: 'cash' },
  ]);
  expect(() => readTypedTerms(ways('Cash', ' '), 2)).toThrow('A way of payment needs a name.');
  expect(() => readTypedTerms(ways('Cash', 'cash '), 2)).toThrow('Two ways of payment are called “cash”.');
});

test('days are whole numbers within bounds', () => {
  expect(readDays('Prices hold for', ' 31 ', 1, 365)).toBe(31);
  for (const text of ['', '0', '366', '1.5', 'soon'])
    expect(() => readDays('Prices hold for', text, 1, 365)).toThrow(
      'Prices hold for: a whole number of days from 1 to 365.',
    );
});

test('retainage as typed; none, and nothing is said of it', () => {
  const held = (percent: string, limit?: string) => {
    const { usual, ...rest } = typed('15');
    const billing = { retainage: { percent, ...(limit === undefined ? {} : { limit }) } };
    return readTypedTerms({ ...rest, usual: { ...usual, billing } }, 2).usual.billing;
  };
  expect(held('10 %', '2.5 + 2.5')).toEqual({ retainage: { percent: '10', limit: '5' } });
  expect(held('10', ' ')).toEqual({ retainage: { percent: '10' } });
  expect(held('')).toBeUndefined();
  expect(held('0', '5')).toBeUndefined();
  expect(() => held('101')).toThrow(/^Retainage: /);
});

test('commission as typed; without a percentage there is none, and who has none of their own has that of all', () => {
  const given = (text: string, bySeller?: Record<string, string>) => {
    const { pricing, ...rest } = typed('15');
    const commission = {
      percent: text,
      of: 'price' as const,
      when: 'paid' as const,
      ...(bySeller ? { bySeller } : {}),
    };
    return readTypedTerms({ ...rest, pricing: { ...pricing, commission } }, 2).pricing.commission;
  };
  expect(given(' 5 %')).toEqual({ percent: '5', of: 'price', when: 'paid' });
  expect(given('5', { a: '7.5 %', b: ' ' })).toMatchObject({ percent: '5', bySeller: { a: '7.5' } });
  expect(given('')).toBeUndefined();
  expect(given('', { a: '' })).toBeUndefined();
  expect(given('', { a: '2' })).toMatchObject({ percent: '0', bySeller: { a: '2' } });
  expect(() => given('101')).toThrow(/^Commission: /);
});
