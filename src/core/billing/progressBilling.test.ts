import type { Amount, Fixed } from '../number';
import { ONE } from '../number';
import type { Draw, Ledger, LedgerLine } from './';
import {
  asksUpTo,
  billedLines,
  workGroups,
  makeInvoice,
  positionOf,
  sumOfRows,
  withPaper,
  workRows,
} from './';

const lineOf = (id: string, net: bigint, quantity: bigint, section = 'Frame'): LedgerLine => ({
  id,
  description: `Line ${id}`,
  sectionTitle: section,
  stage: null,
  taxClass: 't',
  quantity: (quantity * ONE) as Fixed,
  net: net as Amount,
  taxes: [],
});
const ledger: Ledger = {
  minorDigits: 2,
  terms: {},
  lines: [
    lineOf('a', 10_000n, 8n),
    lineOf('b', 3_333n, 3n),
    lineOf('c', 0n, 1n, 'Roof'),
    lineOf('d', -1_000n, -1n, 'Roof'),
  ],
  components: 0,
  entries: [],
  papers: [],
};
const billed = (of: Ledger, asks: { line: string; to: { percent: string } }[]) =>
  withPaper(of, makeInvoice(of, { lines: asks }), 'p0', null);
const half = billed(ledger, [
  { line: 'a', to: { percent: '50' } },
  { line: 'b', to: { percent: '100' } },
]);

test('an amount when everything is billed: said so, and not that it is too much', () => {
  const all = withPaper(ledger, makeInvoice(ledger, { rest: true }), 'all', null);
  expect(() => makeInvoice(all, { amount: '1' })).toThrow('Everything agreed is billed already.');
});

test('a refusal names the line it is about, and none that only reaches its end', () => {
  const ask = (a: string, b: string) => () =>
    makeInvoice(ledger, {
      lines: [
        { line: 'a', to: { percent: a } },
        { line: 'b', to: { percent: b } },
      ],
    });
  expect(ask('100', '120')).toThrow(/^“Line b”/);
  expect(ask('120', '100')).toThrow(/^“Line a”/);
});

test('when all is billed and a cent of it is held, the way to that cent is said', () => {
  const held: Ledger = {
    ...ledger,
    lines: [lineOf('a', 10n, 1n)],
    terms: { retainage: { percent: '10' } },
  };
  const all = withPaper(held, makeInvoice(held, { rest: true }), 'all', null);
  expect(positionOf(all).heldGross).toBe(1n);
  expect(() => makeInvoice(all, { rest: true })).toThrow('0.01 of it is held: release it.');
});

describe('the table an invoice is worked on', () => {
  test('each line: agreed, before, now, to date, left, and the quantity that comes to it', () => {
    const now: Draw[] = [{ lineId: 'a', net: 2_500n as Amount, taxes: [] }];
    const rows = workRows(half, positionOf(half), now);
    expect(rows[0]).toMatchObject({
      agreed: 10_000n,
      before: 5_000n,
      now: 2_500n,
      toDate: 7_500n,
      left: 2_500n,
      share: 750_000n,
      quantity: 6n * ONE,
      finished: false,
    });
    expect(rows[1]).toMatchObject({
      toDate: 3_333n,
      left: 0n,
      share: ONE,
      quantity: 3n * ONE,
      finished: true,
    });
    // Of nothing there is no share, and it is never finished by itself.
    expect(rows[2]).toMatchObject({ share: null, quantity: 0n, finished: false });
    expect(rows[3]).toMatchObject({ agreed: -1_000n, left: -1_000n, share: 0n, finished: false });
    expect(sumOfRows(rows)).toMatchObject({
      agreed: 12_333n,
      before: 8_333n,
      now: 2_500n,
      toDate: 10_833n,
      left: 1_500n,
    });
  });

  test('groups in the order their names come first; finished when all in them that is worth something is', () => {
    const done = billed(half, [{ line: 'd', to: { percent: '100' } }]);
    const groups = workGroups(workRows(done, positionOf(done), []), ({ sectionTitle }) => sectionTitle);
    expect(groups.map(({ name, finished, agreed }) => [name, finished, agreed])).toEqual([
      ['Frame', false, 13_333n],
      ['Roof', true, -1_000n],
    ]);
  });

  test('a percent for many asks for those that are not further, and for none that is worth nothing', () => {
    const rows = workRows(half, positionOf(half), []);
    expect(asksUpTo(rows, '60').map(({ line }) => line)).toEqual(['a', 'd']);
    expect(asksUpTo(rows, '50').map(({ line }) => line)).toEqual(['a', 'd']);
    expect(asksUpTo(rows, '49.99').map(({ line }) => line)).toEqual(['d']);
    expect(asksUpTo(rows, '100').map(({ line }) => line)).toEqual(['a', 'b', 'd']);
  });
});

describe('lines as the customer reads them on an invoice', () => {
  const bundle = { id: 'x', name: 'Railing', one: true };
  const row = (id: string, net: bigint, more: object = {}) => ({
    line: {
      id,
      sectionTitle: 'S',
      bundle: null,
      description: `Line ${id}`,
      taxClass: 't',
      changeOrderId: null,
      net: 1_000n as Amount,
      unit: 'each' as const,
      quantity: (2n * ONE) as Fixed,
      ...more,
    },
    before: 100n as Amount,
    net: net as Amount,
    taxes: [(net / 10n) as Amount],
  });
  const rows = [
    row('a', 500n),
    row('b', 0n),
    row('x.1', 200n, { bundle, changeOrderId: 'c1' }),
    row('x.2', 300n, { bundle }),
    row('x.3', 100n, { bundle, taxClass: 'other' }),
    row('y.1', 50n, { bundle: { id: 'y', name: 'Steps', one: false } }),
  ];
  const shown = (unbilled: 'hidden' | 'zero', bundles: 'agreed' | 'one' | 'parts') =>
    billedLines(rows, { unbilled, bundles }).map(({ id, net, agreed, measure }) => [
      id,
      net,
      agreed,
      measure === null,
    ]);

  test('bundles as agreed: those shown as one are one, for each tax class in them', () => {
    expect(shown('hidden', 'agreed')).toEqual([
      ['a', 500n, 1_000n, false],
      ['x t', 500n, 2_000n, true],
      ['x other', 100n, 1_000n, true],
      ['y.1', 50n, 1_000n, false],
    ]);
    expect(billedLines(rows, { unbilled: 'hidden', bundles: 'agreed' })[1]).toMatchObject({
      description: 'Railing',
      before: 200n,
      taxes: [50n],
    });
  });

  test('each as one, or all their parts; what is not billed left out or at nothing; the sum is always the same', () => {
    expect(shown('hidden', 'one').map(([id]) => id)).toEqual(['a', 'x t', 'x other', 'y t']);
    expect(shown('zero', 'parts').map(([id]) => id)).toEqual(['a', 'b', 'x.1', 'x.2', 'x.3', 'y.1']);
    for (const unbilled of ['hidden', 'zero'] as const)
      for (const bundles of ['agreed', 'one', 'parts'] as const)
        expect(shown(unbilled, bundles).reduce((sum, [, net]) => sum + (net as bigint), 0n)).toBe(1_150n);
  });
});
