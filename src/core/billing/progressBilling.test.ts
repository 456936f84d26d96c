import fc from 'fast-check';
import type { Amount, Fixed } from '../number';
import { ONE, writeAmount } from '../number';
import type { Draw, Ledger, LedgerLine } from './';
import {
  asksTyped,
  asksUpTo,
  billedLines,
  creditPutOn,
  dueAtOnce,
  workGroups,
  makeInvoice,
  positionOf,
  readTypedAsk,
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
      stage: null,
      costCode: null,
      itemCode: null,
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

  test('a single row or bundle otherwise than all: only while nothing of it is billed', () => {
    const ids = (more: object) =>
      billedLines(rows, { unbilled: 'hidden', bundles: 'agreed', ...more }).map(({ id }) => id);
    expect(ids({ each: { b: 'zero', a: 'hidden' } })).toEqual(['a', 'b', 'x t', 'x other', 'y.1']);
    expect(ids({ unbilled: 'zero', each: { b: 'hidden' } })).toEqual(['a', 'x t', 'x other', 'y.1']);
    expect(ids({ eachBundle: { x: 'parts', y: 'one' } })).toEqual(['a', 'x.1', 'x.2', 'x.3', 'y t']);
    const part = row('z.1', 0n, { bundle: { id: 'z', name: 'Trim', one: false } });
    const shownOf = (each: Record<string, 'zero' | 'hidden'>) =>
      billedLines([part], { unbilled: 'hidden', bundles: 'agreed', each }).length;
    expect([shownOf({ z: 'zero' }), shownOf({ z: 'zero', 'z.1': 'hidden' }), shownOf({})]).toEqual([1, 0, 0]);
  });

  test('codes: of a bundle as one line what all its parts have', () => {
    const coded = (id: string, costCode: string | null) => row(id, 100n, { bundle, costCode, itemCode: id });
    const [same] = billedLines([coded('x.1', '06'), coded('x.2', '06')], {
      unbilled: 'hidden',
      bundles: 'one',
    });
    const [mixed] = billedLines([coded('x.1', '06'), coded('x.2', '09')], {
      unbilled: 'hidden',
      bundles: 'one',
    });
    expect([same!.costCode, same!.itemCode, mixed!.costCode]).toEqual(['06', null, null]);
  });

  test('each as one, or all their parts; what is not billed left out or at nothing; the sum is always the same', () => {
    expect(shown('hidden', 'one').map(([id]) => id)).toEqual(['a', 'x t', 'x other', 'y t']);
    expect(shown('zero', 'parts').map(([id]) => id)).toEqual(['a', 'b', 'x.1', 'x.2', 'x.3', 'y.1']);
    for (const unbilled of ['hidden', 'zero'] as const)
      for (const bundles of ['agreed', 'one', 'parts'] as const)
        expect(shown(unbilled, bundles).reduce((sum, [, net]) => sum + (net as bigint), 0n)).toBe(1_150n);
  });
});

describe('what is typed to bill', () => {
  test.each([
    ['25', 'percent', { percent: '25', more: false }],
    ['25%', 'amount', { percent: '25', more: false }],
    ['+10 %', 'percent', { percent: '10', more: true }],
    ['$1,000.00', 'percent', { amount: '1000', more: false }],
    ['1,000', 'amount', { amount: '1000', more: false }],
    ['+500', 'amount', { amount: '500', more: true }],
    ['+ $500', 'percent', { amount: '500', more: true }],
    ['−40', 'amount', { amount: '-40', more: false }],
    ['', 'amount', { amount: '0', more: false }],
    ['', 'percent', { percent: '0', more: false }],
  ] as const)('%s in the column of a %s', (text, column, read) =>
    expect(readTypedAsk(text, column, 2)).toEqual(read),
  );

  test('what is neither is refused in words', () => {
    expect(() => readTypedAsk('120', 'percent', 2)).toThrow('This percentage goes from 0 to 100.');
    expect(() => readTypedAsk('half', 'amount', 2)).toThrow();
  });

  const rows = workRows(half, positionOf(half), []);
  const open = rows.filter(({ agreed }) => agreed > 0n);
  const ask = (text: string, of = open, column: 'percent' | 'amount' = 'amount') =>
    asksTyped(of, readTypedAsk(text, column, 2), 2);

  test('a percent of a whole leaves what is billed further; more of it stops at what is left', () => {
    expect(ask('60%')).toEqual([{ line: 'a', to: { percent: '60' } }]);
    // 5,000 of 10,000 is billed; b is billed in full.
    expect(ask('+30%')).toEqual([{ line: 'a', to: { amount: '30.00' } }]);
    expect(ask('+80%')).toEqual([{ line: 'a', to: { amount: '50.00' } }]);
  });

  test('an amount over several rows comes to it to the cent, and is refused beyond what is left', () => {
    const fresh = workRows(ledger, positionOf(ledger), []).filter(({ agreed }) => agreed > 0n);
    // 100.00 and 33.33 are left: 50.00 in that proportion is 37.50 and 12.50 (37.5009 and 12.4991).
    expect(ask('50', fresh)).toEqual([
      { line: 'a', to: { amount: '37.50' } },
      { line: 'b', to: { amount: '12.50' } },
    ]);
    expect(() => ask('133.34', fresh)).toThrow('From 0 to 133.33 can be billed here this time.');
    expect(() => ask('-1', fresh)).toThrow('From 0 to 133.33');
    const begun = workRows(
      ledger,
      positionOf(ledger),
      makeInvoice(ledger, { lines: ask('50', fresh) }).draws,
    );
    const more = ask(
      '+10',
      begun.filter(({ agreed }) => agreed > 0n),
    );
    expect(makeInvoice(ledger, { lines: more }).draws.map(({ net }) => net)).toEqual([4_500n, 1_500n]);
    // Nothing this time takes back what is asked for now.
    expect(
      ask(
        '0',
        begun.filter(({ now }) => now > 0n),
      ),
    ).toEqual([
      { line: 'a', to: { amount: '0.00' } },
      { line: 'b', to: { amount: '0.00' } },
    ]);
  });

  test('over any work: an amount up to what is left is billed exactly, and what is left after it is the rest', () => {
    const net = fc.integer({ min: -500_000, max: 900_000 });
    fc.assert(
      fc.property(
        fc.array(net, { minLength: 2, maxLength: 12 }),
        fc.integer({ min: 0, max: 1000 }),
        (nets, part) => {
          const of: Ledger = { ...ledger, lines: nets.map((each, i) => lineOf(`l${i}`, BigInt(each), 1n)) };
          const all = workRows(of, positionOf(of), []);
          const left = nets.reduce((sum, each) => sum + each, 0);
          const amount = (BigInt(left) * BigInt(part)) / 1000n;
          if (amount === 0n) return;
          const lines = asksTyped(all, { amount: writeAmount(amount as Amount, 2), more: false }, 2);
          const { draws } = makeInvoice(of, { lines });
          expect(draws.reduce((sum, draw) => sum + draw.net, 0n)).toBe(amount);
        },
      ),
    );
  });
});

test('as it is issued: a deposit and a credit note are due at once; credit pays an invoice up to its total', () => {
  const entries = [
    { id: 'd', name: 'Deposit', kind: 'deposit' as const, amount: 1n as Amount },
    { id: 's', name: 'Stage', kind: 'stage' as const, amount: 1n as Amount },
  ];
  const due = (kind: 'invoice' | 'credit note', entryId: string | null) =>
    dueAtOnce({ entries }, { kind, entryId });
  expect([due('invoice', 'd'), due('invoice', 's'), due('invoice', null), due('credit note', null)]).toEqual([
    true,
    false,
    false,
    true,
  ]);
  const put = (total: bigint, credit: bigint) => creditPutOn('invoice', total as Amount, credit as Amount);
  expect([put(1_000n, 400n), put(1_000n, 4_000n), put(1_000n, 0n)]).toEqual([400n, 1_000n, 0n]);
  expect(creditPutOn('credit note', -5n as Amount, 400n as Amount)).toBe(0n);
});
