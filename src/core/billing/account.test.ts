import fc from 'fast-check';
import { amount, sumAmounts } from '../number';
import { accountOf } from './account';

const event = (day: string, cents: bigint) => ({ day, amount: amount(cents) });

test('what was before opens it; each event moves the balance; what comes after is not in it', () => {
  const account = accountOf(
    [
      event('2026-05-03', -4000n),
      event('2026-04-30', 10000n),
      event('2026-05-02', 500n),
      event('2026-05-04', 1n),
    ],
    '2026-05-01',
    '2026-05-03',
  );
  expect(account).toEqual({
    opening: 10000n,
    rows: [
      { day: '2026-05-02', amount: 500n, balance: 10500n },
      { day: '2026-05-03', amount: -4000n, balance: 6500n },
    ],
    closing: 6500n,
  });
});

test('statements that follow each other fit: one closes where the next opens', () => {
  const days = fc.constantFrom(
    '2026-05-01',
    '2026-05-02',
    '2026-05-03',
    '2026-05-04',
    '2026-05-05',
    '2026-05-06',
  );
  const events = fc.array(fc.record({ day: days, cents: fc.bigInt({ min: -9999n, max: 9999n }) }));
  fc.assert(
    fc.property(events, (all) => {
      const list = all.map(({ day, cents }) => event(day, cents));
      const first = accountOf(list, '2026-05-01', '2026-05-03');
      const second = accountOf(list, '2026-05-04', '2026-05-06');
      expect(first.closing).toBe(second.opening);
      expect(first.rows.length + second.rows.length).toBe(list.length);
      expect(second.closing).toBe(sumAmounts(list.map((each) => each.amount)));
    }),
  );
});
