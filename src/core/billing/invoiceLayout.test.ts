import fc from 'fast-check';
import type { CostType, InvoiceShows } from '@/model';
import type { Amount } from '../number';
import { ZERO, sumAmounts } from '../number';
import type { Draw } from './draws';
import {
  groupNameOf,
  layoutOfNote,
  layoutToBeginWith,
  plainLayout,
  sameLayout,
  workByKind,
} from './invoiceLayout';
import { itemsOf } from './journal';
import { gather, workFigures } from './progressBilling';

const amount = (value: number) => BigInt(value) as Amount;

const lineOf = fc.record({
  net: fc.integer({ min: -50_000, max: 500_000 }).map(amount),
  costs: fc
    .record(
      {
        material: fc.integer({ min: 1, max: 9_999 }).map(amount),
        labour: fc.integer({ min: 1, max: 9_999 }).map(amount),
        subcontract: fc.integer({ min: 1, max: 9_999 }).map(amount),
      },
      { requiredKeys: [] },
    )
    .map((costs) => costs as Partial<Record<CostType, Amount>>),
});

/** Lines of an agreement, and papers that bill shares of them, the last one all that is left. */
const history = fc
  .tuple(
    fc.array(lineOf, { minLength: 1, maxLength: 6 }),
    fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 4 }),
  )
  .map(([rows, shares]) => {
    const lines = rows.map((row, i) => ({ id: String(i), costCode: null, ...row }));
    const billed = new Map<string, bigint>();
    const papers = [...shares, 100].map((share): Draw[] =>
      lines.flatMap(({ id, net }) => {
        const left = net - (billed.get(id) ?? 0n);
        const now = (left * BigInt(share)) / 100n;
        billed.set(id, (billed.get(id) ?? 0n) + now);
        return now === 0n ? [] : [{ lineId: id, net: now as Amount, taxes: [] }];
      }),
    );
    return { lines, papers };
  });

describe('work by kind', () => {
  test('columns add up to the agreement; this time is what the journal books; at the end all is billed', () => {
    fc.assert(
      fc.property(history, ({ lines, papers }) => {
        papers.forEach((now, at) => {
          const kinds = workByKind(lines, papers.slice(0, at).flat(), now);
          const sum = (of: (row: (typeof kinds)[number]) => Amount) => sumAmounts(kinds.map(of));
          expect(sum(({ agreed }) => agreed)).toBe(sumAmounts(lines.map(({ net }) => net)));
          expect(sum((row) => row.now)).toBe(sumAmounts(now.map(({ net }) => net)));
          const items = itemsOf({ draws: now, retainage: [], advance: [], late: ZERO }, lines);
          for (const row of kinds) {
            const booked = items.filter(({ costType }) => costType === row.kind);
            expect(row.now).toBe(sumAmounts(booked.map((item) => item.amount)));
            if (at === papers.length - 1) expect(row.left).toBe(0n);
          }
        });
      }),
    );
  });

  test('a line that costs us nothing is told apart from those that do', () => {
    const lines = [
      { id: 'a', costCode: null, net: amount(1000), costs: { material: amount(300), labour: amount(100) } },
      { id: 'b', costCode: null, net: amount(250), costs: {} },
    ];
    const kinds = workByKind(lines, [], [{ lineId: 'a', net: amount(500), taxes: [] }]);
    expect(kinds.map(({ kind, agreed, now, left }) => [kind, agreed, now, left])).toEqual([
      ['material', 750n, 375n, 375n],
      ['labour', 250n, 125n, 125n],
      [null, 250n, 0n, 250n],
    ]);
  });
});

test('rows are gathered in the order their groups come first, and a change order’s section stands by itself', () => {
  const place = (section: string, stage: string | null, change: number | null) => ({
    section,
    stage,
    change,
  });
  expect(groupNameOf(place('Porch', 'Frame', 1), 'section')).toBe('Porch, change order 1');
  expect(groupNameOf(place('Porch', 'Frame', 1), 'stage')).toBe('Frame');
  expect(groupNameOf(place('Porch', null, null), 'stage')).toBe('In no stage');
  const row = (name: string, agreed: number) => ({ name, ...workFigures(amount(agreed), ZERO, amount(10)) });
  const groups = gather([row('b', 100), row('a', 50), row('b', 25)], ({ name }) => name);
  expect(groups.map(({ name, agreed, now, left, rows }) => [name, agreed, now, left, rows.length])).toEqual([
    ['b', 125n, 20n, 105n, 2],
    ['a', 50n, 10n, 40n, 1],
  ]);
});

describe('which layout an invoice begins with', () => {
  const coded: InvoiceShows = { unbilled: 'hidden', bundles: 'parts', codes: 'cost' };
  const short: InvoiceShows = { unbilled: 'hidden', bundles: 'one', summary: 'kind', rows: 'none' };
  const paper = (shows: InvoiceShows, kind = 'invoice') => ({ kind, shows });

  test('as the last invoice of its agreement; where that was plain, the usual one; else plainly', () => {
    expect(layoutToBeginWith([paper(short), paper(coded)], short)).toBe(coded);
    expect(layoutToBeginWith([paper(coded), paper(short, 'credit note')], null)).toBe(coded);
    expect(layoutToBeginWith([paper(plainLayout)], short)).toBe(short);
    expect(layoutToBeginWith([], null)).toBe(plainLayout);
  });

  test('two layouts are one when they say the same', () => {
    expect(
      sameLayout(coded, { codes: 'cost', bundles: 'parts', unbilled: 'hidden', each: {}, balance: false }),
    ).toBe(true);
    expect(sameLayout(coded, { ...coded, balance: true })).toBe(false);
    expect(
      sameLayout(
        { ...coded, each: { a: 'zero', b: 'hidden' } },
        { ...coded, each: { b: 'hidden', a: 'zero' } },
      ),
    ).toBe(true);
  });

  test('a credit note looks like its invoice and lists only what it takes back', () => {
    expect(layoutOfNote({ ...coded, unbilled: 'zero', each: { a: 'zero' } })).toEqual(coded);
  });
});
