import type { Load, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { bundle, line, plainDocument } from '../../../tests/support/documents';
import { edited } from '../../../tests/support/edits';
import { writeAmount } from '../number';
import { customerView } from '../offer';
import { computeFigures } from '../price';
import {
  PartGone,
  moveLoad,
  setBundleDiscount,
  setBundleLoads,
  setExpected,
  setFee,
  setLineDiscount,
  setLoad,
  setSectionDiscount,
  setSectionLoads,
  setSpread,
  setTaxComponent,
  setTaxTerms,
  withReason,
} from '.';

const profit = (percent: string): Load => ({
  id: 'p',
  name: 'Profit',
  kind: 'profit',
  percent,
  base: 'direct',
});

/** Cost 100 and 50 in lines, 40 in a bundle; 10 % on cost; 6 % tax and 1 %. */
const start = plainDocument(
  [
    {
      id: 's1',
      title: 'Floor',
      entries: [
        line('a', '10', '10'),
        bundle(
          'b',
          {
            board: {
              description: 'Board',
              unit: 'each',
              costs: [{ type: 'material', amount: '8' }],
              taxClass: 'taxed',
            },
          },
          [{ id: 'p1', name: 'boards', item: 'board', quantity: '5' }],
        ),
      ],
    },
    { id: 's2', title: 'Roof', entries: [line('c', '5', '10')] },
  ],
  {
    loads: [profit('10')],
    taxClasses: [
      {
        id: 'taxed',
        name: 'Taxed',
        components: [
          { id: 'state', name: 'State', percent: '6' },
          { id: 'town', name: 'Town', percent: '1' },
        ],
      },
    ],
  },
);

const figures = (document: ProposalDocument) => computeFigures(document, asSuggested);
const price = (document: ProposalDocument) => writeAmount(figures(document).subtotal, 2);
const total = (document: ProposalDocument) => writeAmount(figures(document).total, 2);
const of = (edit: (document: ProposalDocument) => unknown, from = start) => price(edited(from, edit));

test('as it starts: 190 of cost and a tenth, 209.00; with 7 % tax 223.63', () => {
  expect([price(start), total(start)]).toEqual(['209.00', '223.63']);
});

test('loads of a section or a bundle stand instead of those around it, until they are taken away', () => {
  // 140 × 1.2 + 50 × 1.1
  expect(of((d) => setSectionLoads(d, 's1', [profit('20')]))).toBe('223.00');
  // 100 × 1.1 + 40 × 1.5 + 50 × 1.1
  const own = edited(start, (d) => setBundleLoads(d, 'b', [profit('50')]));
  expect(price(own)).toBe('225.00');
  // The bundle keeps its own within a section that has others: 100 × 1.2 + 40 × 1.5 + 50 × 1.1
  const both = edited(own, (d) => setSectionLoads(d, 's1', [profit('20')]));
  expect(price(both)).toBe('235.00');
  const back = edited(both, (d) => {
    setSectionLoads(d, 's1', null);
    setBundleLoads(d, 'b', null);
  });
  expect(back).toEqual(start);
  expect(of((d) => setSectionLoads(d, 's2', []))).toBe('204.00');
});

test('a load of the proposal is changed, added behind the others, limited to a cost type, taken away', () => {
  expect(of((d) => setLoad(d, 'p', { percent: '25' }))).toBe('237.50');
  const more = edited(start, (d) => setLoad(d, 'o', { percent: '10', base: 'direct' }));
  expect(more.loads.map(({ id, kind }) => `${id} ${kind}`)).toEqual(['p profit', 'o overhead']);
  expect(price(more)).toBe('228.00');
  // There is no labour in it.
  const labour = edited(more, (d) => setLoad(d, 'o', { costTypes: ['labour'] }));
  expect(price(labour)).toBe('209.00');
  const all = edited(labour, (d) => setLoad(d, 'o', { costTypes: [] }));
  expect(all).toEqual(more);
  expect(edited(all, (d) => setLoad(d, 'o', null))).toEqual(start);
  expect(() => edited(start, (d) => setLoad(d, 'o', null))).toThrow(PartGone);
});

test('loads are moved; one on the running amount comes to more below another than above it', () => {
  const two = edited(start, (d) => setLoad(d, 'o', { percent: '10', base: 'running' }));
  // 190 × 1.1 × 1.1 either way round where profit is on direct cost only when it stands below: 190 × (1.1 + 0.1).
  expect(price(two)).toBe('229.90');
  const moved = edited(two, (d) => moveLoad(d, 'o', -1));
  expect(moved.loads.map(({ id }) => id)).toEqual(['o', 'p']);
  expect(price(moved)).toBe('228.00');
  expect(edited(moved, (d) => moveLoad(d, 'o', -1))).toEqual(moved);
  expect(edited(moved, (d) => moveLoad(d, 'o', 1))).toEqual(two);
  expect(() => edited(start, (d) => moveLoad(d, 'none', 1))).toThrow(PartGone);
});

test('a discount keeps its reason, which the customer reads; it moves no figure', () => {
  const said = withReason({ percent: '5' }, '  Second job with us ');
  expect(said).toEqual({ percent: '5', reason: 'Second job with us' });
  expect(withReason(said, ' ')).toEqual({ percent: '5' });
  expect(() => withReason(said, 'x'.repeat(201))).toThrow();
  const off = edited(start, (d) => {
    d.discount = said;
    setSectionDiscount(d, 's1', withReason({ amount: '10' }, 'Floor as shown'));
  });
  expect(total(off)).toBe(
    total(
      edited(start, (d) => {
        d.discount = { percent: '5' };
        setSectionDiscount(d, 's1', { amount: '10' });
      }),
    ),
  );
  const view = customerView({ ...off, shows: 'lines' }, asSuggested);
  expect(view.discountReason).toBe('Second job with us');
  expect(view.sections.map(({ discountReason }) => discountReason)).toEqual(['Floor as shown', null]);
  expect(customerView({ ...off, shows: 'total' }, asSuggested).discountReason).toBeNull();
});

test('discounts of a line, a bundle, a section', () => {
  // 110 − 10 % + 44 + 55
  const a = edited(start, (d) => setLineDiscount(d, 'a', { percent: '10' }));
  expect(price(a)).toBe('198.00');
  const b = edited(a, (d) => setBundleDiscount(d, 'b', { amount: '4' }));
  expect(price(b)).toBe('194.00');
  // Then half of what is left of the section: (99 + 40) ÷ 2 + 55
  const c = edited(b, (d) => setSectionDiscount(d, 's1', { percent: '50' }));
  expect(price(c)).toBe('124.50');
  const none = edited(c, (d) => {
    setLineDiscount(d, 'a', null);
    setBundleDiscount(d, 'b', null);
    setSectionDiscount(d, 's1', null);
  });
  expect(none).toEqual(start);
});

test('fees come on top of the price, by amount or percent, with the tax of the last class', () => {
  const fee = edited(start, (d) => setFee(d, 'f', { name: 'Permit', amount: { fixed: '100' } }));
  expect(fee.fees[0]).toMatchObject({ id: 'f', name: 'Permit', taxClass: 'taxed' });
  // (209 + 100) × 1.07
  expect([price(fee), total(fee)]).toEqual(['209.00', '330.63']);
  const share = edited(fee, (d) => setFee(d, 'f', { amount: { percent: '10' } }));
  expect(total(share)).toBe('245.99');
  expect(edited(share, (d) => setFee(d, 'f', null))).toEqual(start);
  expect(() => edited(start, (d) => setFee(d, 'f', null))).toThrow(PartGone);
});

test('tax: none for who is exempt, inside the prices, a second on top of the first, rounded on every line', () => {
  const exempt = edited(start, (d) => setTaxTerms(d, { exempt: '  ' }));
  expect([exempt.tax, total(exempt)]).toEqual([{ exempt: { reason: 'Exempt' } }, '209.00']);
  const school = edited(exempt, (d) => setTaxTerms(d, { exempt: ' Public school ' }));
  expect(school.tax).toEqual({ exempt: { reason: 'Public school' } });
  const both = edited(school, (d) => setTaxTerms(d, { rounding: 'line', inside: true }));
  expect(both.tax).toEqual({ rounding: 'line', inside: true, exempt: { reason: 'Public school' } });
  const back = edited(both, (d) => setTaxTerms(d, { rounding: null, inside: null, exempt: null }));
  expect(back).toEqual(start);

  // 209 × 6 % = 12.54; 1 % of 221.54 = 2.22
  expect(total(edited(start, (d) => setTaxComponent(d, 'taxed', 'town', { onTop: true })))).toBe('223.76');
  const high = edited(start, (d) => setTaxComponent(d, 'taxed', 'state', { percent: '8.25' }));
  expect(total(high)).toBe('228.33');
  expect(edited(high, (d) => setTaxComponent(d, 'taxed', 'state', { percent: '6', onTop: false }))).toEqual(
    start,
  );
  expect(() => edited(start, (d) => setTaxComponent(d, 'taxed', 'county', {}))).toThrow(PartGone);
  expect(() => edited(start, (d) => setTaxComponent(d, 'none', 'state', {}))).toThrow(PartGone);
});

test('an expected quantity is read like any other, and offered is offered again without it', () => {
  const more = edited(start, (d) => setExpected(d, 'a', '6+7'));
  expect(more.sections[0]!.entries[0]).toMatchObject({ quantity: '10', expected: '13' });
  // What is expected moves no price.
  expect(price(more)).toBe('209.00');
  expect(edited(more, (d) => setExpected(d, 'a', ' '))).toEqual(start);
  expect(() => edited(start, (d) => setExpected(d, 'a', 'many'))).toThrow();
});

test('the way a change order is spread is set where there is one, and nowhere else', () => {
  const change = { ...start, change: { agreement: 3, number: 1, spread: 'spread' as const } };
  expect(edited(change, (d) => setSpread(d, 'last')).change!.spread).toBe('last');
  expect(edited(start, (d) => setSpread(d, 'last'))).toEqual(start);
});

test.each([
  ['section', (d: ProposalDocument) => setSectionLoads(d, 'gone', null)],
  ['bundle', (d: ProposalDocument) => setBundleLoads(d, 'a', null)],
  ['discount of a section', (d: ProposalDocument) => setSectionDiscount(d, 'gone', null)],
  ['discount of a line', (d: ProposalDocument) => setLineDiscount(d, 'gone', null)],
  ['discount of a bundle', (d: ProposalDocument) => setBundleDiscount(d, 'gone', null)],
  ['expected', (d: ProposalDocument) => setExpected(d, 'gone', '1')],
])('%s: gone meanwhile, it is said so', (_, edit) => {
  expect(() => edited(start, edit)).toThrow(PartGone);
});
