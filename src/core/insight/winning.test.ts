import fc from 'fast-check';
import { amount } from '../number';
import { offeredRows } from './offered';
import type { SentProposal } from './winning';
import { winRows } from './winning';

const sent = (more: Partial<SentProposal>): SentProposal => ({
  seller: 'A',
  trade: 'Roof',
  sentOn: '2026-05-01',
  outcome: 'open',
  signedOn: null,
  total: amount(100n),
  ...more,
});
const signed = (day: string, more: Partial<SentProposal> = {}) =>
  sent({ outcome: 'signed', signedOn: day, ...more });

test('won among those decided; open and withdrawn ones are neither', () => {
  const { all } = winRows(
    [
      signed('2026-05-04'),
      sent({ outcome: 'declined' }),
      sent({ outcome: 'lapsed' }),
      sent({}),
      sent({ outcome: 'withdrawn' }),
    ],
    'seller',
  );
  expect(all).toEqual({
    ...{ name: '', sent: 5, signed: 1, lost: 2, open: 1, rate: 33.3, medianDays: 3 },
    ...{ offered: 500n, won: 100n },
  });
  expect(winRows([sent({})], 'seller').all).toMatchObject({ rate: null, medianDays: null });
});

test('two thirds are 66.7 %, one of two 50 %; between two middles, half way', () => {
  const two = [signed('2026-05-02'), signed('2026-05-05'), sent({ outcome: 'lapsed' })];
  expect(winRows(two, 'trade').all).toMatchObject({ rate: 66.7, medianDays: 2.5 });
  expect(winRows(two.slice(1), 'trade').all).toMatchObject({ rate: 50, medianDays: 4 });
});

test('groups share everything out', () => {
  const any = fc.record({
    seller: fc.constantFrom('A', 'B', 'C'),
    trade: fc.constantFrom('Roof', 'Glass', ''),
    outcome: fc.constantFrom('signed', 'declined', 'lapsed', 'withdrawn', 'open'),
    total: fc.bigInt({ min: 1n, max: 9999n }),
  });
  fc.assert(
    fc.property(fc.array(any), fc.constantFrom('seller', 'trade'), (raw, by) => {
      const { rows, all } = winRows(
        raw.map(({ total, outcome, ...rest }) =>
          sent({
            ...rest,
            outcome,
            total: amount(total),
            signedOn: outcome === 'signed' ? '2026-05-09' : null,
          }),
        ),
        by,
      );
      for (const key of ['sent', 'signed', 'lost', 'open'] as const)
        expect(rows.reduce((sum, row) => sum + row[key], 0)).toBe(all[key]);
      expect(rows.reduce((sum, row) => sum + row.won, 0n)).toBe(all.won);
    }),
  );
});

test('an item counts once in a proposal, and is used where it was signed', () => {
  const item = (itemId: string, proposalId: string, used: boolean, net: bigint) => ({
    ...{ itemId, proposalId, used, net: amount(net) },
  });
  expect(
    offeredRows([
      item('stud', 'p1', true, 100n),
      item('stud', 'p1', true, 50n),
      item('stud', 'p2', false, 70n),
      item('lamp', 'p1', false, 10n),
    ]),
  ).toEqual([
    { itemId: 'stud', offered: 2, used: 1, sold: 150n },
    { itemId: 'lamp', offered: 1, used: 0, sold: 0n },
  ]);
});
