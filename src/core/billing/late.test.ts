import Decimal from 'decimal.js';
import fc from 'fast-check';
import { daysBetween, plusDays } from '../calendar';
import type { Amount } from '../number';
import { amount } from '../number';
import { lateCharge } from './late';
import { reminderDue } from './reminders';

const interest = (percent: string, graceDays = 0) => ({ kind: 'interest' as const, percent, graceDays });
const bill = (total: bigint, put: readonly { on: string; amount: bigint }[] = []) => ({
  total: amount(total),
  dueOn: '2026-05-01',
  put: put as readonly { on: string; amount: Amount }[],
});

describe('interest for paying late', () => {
  test('simple interest, actual days over 365: 1,000.00 at 12 % for 30 days is 9.86 (I = P r t)', () => {
    expect(lateCharge(interest('12'), bill(100000n), '2026-05-31', null, 2)).toEqual({
      amount: 986n,
      daysLate: 30,
      from: '2026-05-02',
      until: '2026-05-31',
    });
  });

  test('nothing on the due day, nothing in the days of grace; after them from the day after the due date', () => {
    expect(lateCharge(interest('12'), bill(100000n), '2026-05-01', null, 2)).toBeNull();
    expect(lateCharge(interest('12', 10), bill(100000n), '2026-05-11', null, 2)).toBeNull();
    expect(lateCharge(interest('12', 10), bill(100000n), '2026-05-12', null, 2)).toMatchObject({
      amount: 362n,
      from: '2026-05-02',
    });
    const paid = bill(100000n, [{ on: '2026-05-11', amount: 100000n }]);
    expect(lateCharge(interest('12', 10), paid, '2026-06-30', null, 2)).toBeNull();
  });

  test('money that comes in lowers it from the day after; taken off again, it counts again', () => {
    const part = bill(100000n, [{ on: '2026-05-11', amount: 60000n }]);
    // 10 days of 1,000 and 20 of 400: (10,000 + 8,000) × 12 % ÷ 365
    expect(lateCharge(interest('12'), part, '2026-05-31', null, 2)?.amount).toBe(592n);
    const back = bill(100000n, [...part.put, { on: '2026-05-21', amount: -60000n }]);
    expect(lateCharge(interest('12'), back, '2026-05-31', null, 2)?.amount).toBe(789n);
  });

  test('against decimal.js, day by day, for random payments', () => {
    const payments = fc.array(
      fc.record({ day: fc.integer({ min: -20, max: 60 }), amount: fc.bigInt({ min: 1n, max: 40000n }) }),
      { maxLength: 5 },
    );
    const rates = fc.constantFrom('0.5', '7.25', '9', '18');
    fc.assert(
      fc.property(
        fc.bigInt({ min: 1n, max: 500000n }),
        payments,
        rates,
        fc.integer({ min: 1, max: 90 }),
        (total, paid, rate, late) => {
          let left = total;
          const put = paid.map(({ day, amount: asked }) => {
            const part = asked < left ? asked : left;
            left -= part;
            return { on: plusDays('2026-05-01', day), amount: part };
          });
          let sum = new Decimal(0);
          for (let day = 1; day <= late; day += 1) {
            const before = put.filter(({ on }) => on < plusDays('2026-05-01', day));
            const open = total - before.reduce((all, each) => all + each.amount, 0n);
            sum = sum.plus(new Decimal(open.toString()).times(rate).div(100).div(365));
          }
          const expected = BigInt(sum.toFixed(0, Decimal.ROUND_HALF_UP));
          const found = lateCharge(interest(rate), bill(total, put), plusDays('2026-05-01', late), null, 2);
          expect(found?.amount ?? 0n).toBe(expected);
        },
      ),
    );
  });

  test('charged in two goes, the second begins where the first ended', () => {
    const first = lateCharge(interest('12'), bill(100000n), '2026-05-16', null, 2)!;
    const second = lateCharge(interest('12'), bill(100000n), '2026-05-31', first.until, 2)!;
    expect([first.until, second.from]).toEqual(['2026-05-16', '2026-05-17']);
    expect(daysBetween(first.from, first.until) + daysBetween(second.from, second.until) + 2).toBe(30);
    expect(lateCharge(interest('12'), bill(100000n), '2026-05-31', '2026-05-31', 2)).toBeNull();
  });

  test('a fee comes once, after the days of grace, while something is open', () => {
    const fee = { kind: 'fee' as const, amount: '45', graceDays: 5 };
    expect(lateCharge(fee, bill(100000n), '2026-05-06', null, 2)).toBeNull();
    expect(lateCharge(fee, bill(100000n), '2026-05-07', null, 2)?.amount).toBe(4500n);
    expect(lateCharge(fee, bill(100000n), '2026-07-07', '2026-05-07', 2)).toBeNull();
    const paid = bill(100000n, [{ on: '2026-05-06', amount: 100000n }]);
    expect(lateCharge(fee, paid, '2026-05-20', null, 2)).toBeNull();
  });
});

describe('reminders', () => {
  const steps = [{ days: 21 }, { days: -3 }, { days: 7 }];
  const on = (day: number, sent: readonly number[] = []) =>
    reminderDue(steps, { issuedOn: '2026-04-17', dueOn: '2026-05-01' }, plusDays('2026-05-01', day), sent)
      ?.days ?? null;

  test('what is due as soon as it is issued is not announced', () => {
    const atOnce = { issuedOn: '2026-05-01', dueOn: '2026-05-01' };
    expect(reminderDue(steps, atOnce, '2026-05-01', [])).toBeNull();
    expect(reminderDue(steps, atOnce, '2026-05-08', [])?.days).toBe(7);
    // Nor on the day it is issued, when that is the day of the word ahead; a day of waiting makes the difference.
    const threeDays = { issuedOn: '2026-05-01', dueOn: '2026-05-04' };
    expect(reminderDue(steps, threeDays, '2026-05-01', [])).toBeNull();
    const fourDays = { issuedOn: '2026-05-01', dueOn: '2026-05-05' };
    expect(reminderDue(steps, fourDays, '2026-05-02', [])?.days).toBe(-3);
  });

  test('each comes when its day has come, once, and what was missed is not made up for', () => {
    expect([-4, -3, 0].map((day) => on(day))).toEqual([null, -3, -3]);
    expect([1, 6].map((day) => on(day))).toEqual([null, null]);
    expect([7, 20, 21, 200].map((day) => on(day))).toEqual([7, 7, 21, 21]);
    expect([on(-1, [-3]), on(7, [-3]), on(8, [-3, 7]), on(22, [7]), on(22, [21])]).toEqual([
      null,
      7,
      null,
      21,
      null,
    ]);
  });
});
