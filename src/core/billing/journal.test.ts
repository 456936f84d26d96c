import fc from 'fast-check';
import type { CostType, PaymentMethod } from '@/model';
import { costTypes, methodKeys } from '@/model';
import { anyLedger, anySteps, finish, go } from '../../../tests/support/ledgers';
import type { Amount } from '../number';
import { ZERO, amount, sumAmounts } from '../number';
import type { BookedLine, Booking } from './journal';
import { bookMoney, bookPaper, itemsOf, usualAccounts } from './journal';
import { paperSums } from './paper';

const on = (bookings: readonly Booking[], account: string): Amount =>
  sumAmounts(bookings.filter((each) => each.account === account).map((each) => each.amount));

describe('a paper in the books', () => {
  const paper = {
    draws: [{ lineId: 'a', net: amount(100000n), taxes: [amount(6000n), ZERO] }],
    retainage: [{ taxClass: 't', net: amount(-10000n), taxes: [amount(-600n), ZERO] }],
    advance: [{ taxClass: 't', net: amount(-5000n), taxes: [amount(-300n), ZERO] }],
    late: ZERO,
  };
  const lines: BookedLine[] = [
    { id: 'a', costCode: '06-100', costs: { material: amount(30000n), labour: amount(20000n) } },
  ];

  test('debit what the customer owes and what is held; credit income by cost type and tax, take off the deposit', () => {
    const bookings = bookPaper(usualAccounts, itemsOf(paper, lines));
    const { receivable, retainage, deposits, tax, income } = usualAccounts;
    expect(on(bookings, receivable)).toBe(90100n);
    expect(on(bookings, retainage)).toBe(10000n);
    expect(on(bookings, deposits)).toBe(5000n);
    expect(on(bookings, tax)).toBe(-5100n);
    expect([on(bookings, income.material), on(bookings, income.labour)]).toEqual([-60000n, -40000n]);
    expect(bookings.filter(({ costCode }) => costCode === '06-100')).toHaveLength(3);
  });

  test('work that costs us nothing is income all the same; a late charge is income of its own', () => {
    const free = itemsOf({ ...paper, late: ZERO }, [{ id: 'a', costCode: null, costs: {} }]);
    expect(free[0]).toMatchObject({ kind: 'work', costType: null, amount: 100000n });
    const late = bookPaper(
      usualAccounts,
      itemsOf({ draws: [], retainage: [], advance: [], late: amount(1968n) }, []),
    );
    expect(late.map((each) => [each.account, each.amount])).toEqual([
      [usualAccounts.receivable, 1968n],
      [usualAccounts.late, -1968n],
    ]);
  });

  test('money in is debit on its account, money out credit', () => {
    const accountBy = (method: PaymentMethod) => bookMoney(usualAccounts, method, amount(1n))[0]!.account;
    expect(methodKeys.map((method) => [method, accountBy(method)])).toEqual([
      ['card', usualAccounts.money.card],
      ['cheque', usualAccounts.money.cheque],
      ['ach', usualAccounts.money.transfer],
      ['wire', usualAccounts.money.transfer],
      ['transfer', usualAccounts.money.transfer],
      ['cash', usualAccounts.money.cash],
      ['phone', usualAccounts.money.card],
    ]);
    expect(bookMoney(usualAccounts, 'cheque', amount(500n)).map((each) => each.amount)).toEqual([
      500n,
      -500n,
    ]);
    expect(sumAmounts(bookMoney(usualAccounts, 'card', amount(-77n)).map((each) => each.amount))).toBe(0n);
  });
});

test('whatever is billed by whatever path: items sum to the paper, the journal balances, and at the end income is the agreement’s net by line', () => {
  const anyCosts = fc.array(
    fc.record({ type: fc.constantFrom(...costTypes), cost: fc.bigInt({ min: 1n, max: 90000n }) }),
    {
      maxLength: 3,
    },
  );
  fc.assert(
    fc.property(anyLedger, anySteps(8), fc.infiniteStream(anyCosts), (ledger, steps, costs) => {
      const done = finish(steps.reduce((at, step) => go(at, step), ledger));
      const booked = done.lines.map(({ id }): BookedLine => {
        const found: Partial<Record<CostType, Amount>> = {};
        for (const { type, cost } of costs.next().value as { type: CostType; cost: bigint }[])
          found[type] = amount(cost);
        return { id, costCode: id, costs: found };
      });
      const all = done.papers.flatMap((paper) => {
        const items = itemsOf({ ...paper, late: ZERO }, booked);
        const { total, tax } = paperSums(paper, done.components);
        expect(sumAmounts(items.map((item) => item.amount))).toBe(total);
        const bookings = bookPaper(usualAccounts, items);
        expect(sumAmounts(bookings.map((each) => each.amount))).toBe(0n);
        expect(on(bookings, usualAccounts.receivable)).toBe(total);
        expect(on(bookings, usualAccounts.tax)).toBe(-tax);
        return bookings;
      });
      // Nothing is held and no deposit is left when everything is billed.
      expect([on(all, usualAccounts.retainage), on(all, usualAccounts.deposits)]).toEqual([0n, 0n]);
      const income: readonly string[] = Object.values(usualAccounts.income);
      for (const { id, net } of done.lines)
        expect(
          sumAmounts(
            all
              .filter(({ account, costCode }) => costCode === id && income.includes(account))
              .map((each) => each.amount),
          ),
        ).toBe(-net);
    }),
    { numRuns: 400 },
  );
});
