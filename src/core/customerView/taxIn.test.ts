/*
 * One basis on a page: every price before tax, or every price with the tax in it, and either way what is shown adds up.
 */
import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import type { CustomerView, ProposalDocument, TaxTerms } from '@/model';
import { asSuggested } from '@/model';
import { menuOf, withExtra } from '../choice';
import { customerView } from '../offer';
import { amount, parseAmount, parseFixed, sumAmounts } from '../number';
import { computeFigures } from '../price';
import { taxOver, unitPriceOf, withTax } from './taxIn';

const money = (text: string | null) => parseAmount(text ?? '0', 2);
const seven = [
  { id: 'taxed', name: 'Taxed', components: [{ id: 'state', name: 'Sales tax', percent: '7' }] },
  { id: 'free', name: 'Labor', components: [] },
];
const porch = (tax?: TaxTerms, more: Partial<ProposalDocument> = {}) =>
  plainDocument(
    [
      {
        id: 's1',
        title: 'Porch',
        entries: [
          line('boards', '300', '3.33'),
          line('fans', '2', '125.49', { extra: { in: false } }),
          line('crew', '10', '61', { taxClass: 'free' }),
        ],
      },
      { id: 's2', title: 'Steps', entries: [line('treads', '3', '33.33')] },
    ],
    { shows: 'prices', taxClasses: seven, ...(tax ? { tax } : {}), ...more },
  );
const sectionsOf = ({ sections }: CustomerView) => sections.map(({ amount: each }) => each);
const lineOf = (view: CustomerView, id: string) =>
  view.sections.flatMap(({ entries }) => entries).find((each) => each.id === id) as Extract<
    CustomerView['sections'][number]['entries'][number],
    { kind: 'line' | 'extra' }
  >;

test('before tax: sections, lines and what a choice makes of the price; the tax stands below', () => {
  const view = customerView(porch(), asSuggested);
  expect(view.basis).toBe('before tax');
  expect(sectionsOf(view)).toEqual(['1609.00', '99.99']);
  expect(lineOf(view, 'fans')).toMatchObject({ difference: '250.98', unitPrice: '125.49', amount: null });
  expect(view.taxTotal).toBe('76.93');
  expect(view.total).toBe('1785.92');
});

test('with tax: the same offer, every price with it; the total is the same', () => {
  const view = customerView(porch({ shown: 'with tax' }), asSuggested);
  expect(view.basis).toBe('with tax');
  // 999.00 × 1.07 = 1068.93, labor 610.00 without; 99.99 × 1.07 = 106.99.
  expect(sectionsOf(view)).toEqual(['1678.93', '106.99']);
  expect(lineOf(view, 'boards')).toMatchObject({ amount: '1068.93', unitPrice: '3.5631' });
  expect(lineOf(view, 'crew')).toMatchObject({ amount: '610.00', unitPrice: '61.00' });
  // 250.98 × 0.07 = 17.57: taking it makes the total greater by just this.
  expect(lineOf(view, 'fans')).toMatchObject({ difference: '268.55', unitPrice: '134.275', amount: null });
  expect(view.total).toBe('1785.92');
  const taken = customerView(porch({ shown: 'with tax' }), withExtra(asSuggested, 'fans', true));
  expect(money(taken.total) - money(view.total)).toBe(26855n);
});

test.each([
  ['prices hold the tax already', { inside: true } as TaxTerms, {}, 'with tax'],
  ['nobody pays any', { exempt: { reason: 'School' } } as TaxTerms, {}, 'no tax'],
  ['one price for all of it', undefined, { shows: 'total' as const }, 'with tax'],
  ['classes without a rate', undefined, { taxClasses: [{ ...seven[1]!, id: 'taxed' }, seven[1]!] }, 'no tax'],
])('%s', (_, tax, more, basis) => {
  expect(customerView(porch(tax, more), asSuggested).basis).toBe(basis);
});

test('a discount and a fee carry their tax too', () => {
  const view = customerView(
    porch(
      { shown: 'with tax' },
      {
        discount: { amount: '100' },
        fees: [{ id: 'f', name: 'Permit', amount: { fixed: '50' }, taxClass: 'taxed' }],
      },
    ),
    asSuggested,
  );
  expect(view.fees.map(({ amount: each }) => each)).toEqual(['53.50']);
  // 64.31 of the discount is on what is taxed: 4.50 of tax less.
  expect(view.discount).toBe('104.50');
  expect(sumAmounts(sectionsOf(view).map(money)) - money(view.discount) + 5350n).toBe(money(view.total));
});

test('an allowance: what may be spent is what it is, the tax stands with our fee', () => {
  const view = customerView(
    plainDocument(
      [
        {
          id: 's',
          title: 'Porch',
          entries: [
            line('tile', '1', '1000', {
              allowance: { amount: '1000', rule: 'at our price', fee: '0', shows: 'spend' },
            } as never),
          ],
        },
      ],
      { taxClasses: seven, tax: { shown: 'with tax' } },
    ),
    asSuggested,
  );
  const tile = lineOf(view, 'tile');
  expect(tile.amount).toBe('1070.00');
  expect(tile.parts.map(({ description, amount: each }) => [description, each])).toEqual([
    ['For you to spend', '1000.00'],
    ['The tax', '70.00'],
  ]);
});

test('the parts of a bundle make what the bundle comes to, and what a choice says is what it does', () => {
  let parts = 0;
  fc.assert(
    fc.property(
      anyDocument({}).chain((document) => anyChoices(document).map((choices) => ({ document, choices }))),
      fc.option(fc.constant('with tax' as const)),
      ({ document, choices }, shown) => {
        const { shown: _, ...tax } = document.tax ?? {};
        const of = { ...document, shows: 'prices' as const, tax: { ...tax, ...(shown ? { shown } : {}) } };
        const view = customerView(of, choices);
        expect(JSON.stringify(view)).not.toContain('bearing');
        const price = (each: typeof choices) => {
          const { total, taxTotal } = computeFigures(of, each);
          return view.basis === 'before tax' ? total - taxTotal : total;
        };
        for (const entry of view.sections.flatMap(({ entries }) => entries)) {
          if (entry.kind === 'question') continue;
          if (entry.amount !== null && entry.parts.length > 0) {
            parts += 1;
            expect(sumAmounts(entry.parts.map(({ amount: each }) => money(each)))).toBe(money(entry.amount));
          }
          if (
            entry.kind === 'extra' &&
            menuOf(of).extras.some(({ id, when }) => id === entry.id && when.length === 0)
          ) {
            const change = price(withExtra(choices, entry.id, !entry.in)) - price(choices);
            expect(money(entry.difference)).toBe(entry.in ? -change : change);
          }
        }
      },
    ),
    { numRuns: runs(300) },
  );
  expect(parts).toBeGreaterThan(10);
});

test('every share is its tax before rounding, give or take what rounding leaves', () => {
  const rate = new Decimal(seven[0]!.components[0]!.percent).div(100);
  fc.assert(
    fc.property(
      fc.array(fc.bigInt({ min: -500_000n, max: 500_000n }), { minLength: 1, maxLength: 12 }),
      (nets) => {
        const sum = nets.reduce((all, each) => all + each, 0n);
        const tax = BigInt(rate.times(sum.toString()).toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toFixed());
        const shares = taxOver(
          new Map([['taxed', tax]]),
          nets.map((net) => new Map([['taxed', net]])),
          seven,
        ).map((share) => share.get('taxed') ?? 0n);
        expect(shares.reduce((all, each) => all + each, 0n)).toBe(tax);
        for (const [i, net] of nets.entries())
          expect(
            rate.times(net.toString()).minus(shares[i]!.toString()).abs().toNumber(),
          ).toBeLessThanOrEqual(1.5);
      },
    ),
    { numRuns: runs(300) },
  );
});

test('a unit price with as many places as make the amount, and none where six do not', () => {
  expect(unitPriceOf(amount(106893n), '300', 2, 2)).toBe('3.5631');
  expect(unitPriceOf(amount(6100n), '1', 2, 2)).toBe('61.00');
  expect(unitPriceOf(amount(6100n), null, 2, 2)).toBe('61.00');
  expect(unitPriceOf(amount(6100n), '0', 2, 2)).toBeNull();
  expect(unitPriceOf(amount(1n), '3000000', 2, 2)).toBeNull();
  for (const quantity of ['7', '0.37', '4999.5']) {
    const found = unitPriceOf(amount(12345n), quantity, 2, 2)!;
    expect(new Decimal(quantity).times(found).toFixed(2, Decimal.ROUND_HALF_UP)).toBe('123.45');
    expect(parseFixed(found)).toBeGreaterThan(0n);
  }
});

test('one amount with its tax; itself where prices hold it or none is charged', () => {
  expect(withTax(amount(10007n), 'taxed', { taxClasses: seven })).toBe(10707n);
  expect(withTax(amount(10007n), 'free', { taxClasses: seven })).toBe(10007n);
  expect(withTax(amount(10007n), 'taxed', { taxClasses: seven, tax: { inside: true } })).toBe(10007n);
  expect(withTax(amount(10007n), 'taxed', { taxClasses: seven, tax: { exempt: { reason: 'x' } } })).toBe(
    10007n,
  );
});
