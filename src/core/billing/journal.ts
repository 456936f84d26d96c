import type { Accounts, CostType, PaymentMethod } from '@/model';
import { accountOfMethod, costTypes } from '@/model';
import type { Amount } from '../number';
import { ZERO, allocateSigned, negateAmount, sumAmounts } from '../number';
import type { Draw } from './draws';
import type { Portion } from './paper';

/** An agreed line as the accountant gets it. */
export interface BookedLine {
  readonly id: string;
  readonly costCode: string | null;
  readonly costs: Readonly<Partial<Record<CostType, Amount>>>;
}

/** An issued paper as it is booked. */
export interface BookedPaper {
  readonly draws: readonly Draw[];
  readonly retainage: readonly Portion[];
  readonly advance: readonly Portion[];
  /** Of a charge for late payment, or what takes one back; zero on others. */
  readonly late: Amount;
}

export type BookedKind = 'work' | 'retainage' | 'advance' | 'late charge' | 'tax';

/** One amount of a paper: the smallest it breaks into. */
export interface Item {
  readonly kind: BookedKind;
  /** The agreed line; null: money apart from lines. */
  readonly lineId: string | null;
  readonly costCode: string | null;
  /** Null: the line costs us nothing, or it is not known. */
  readonly costType: CostType | null;
  /** Of tax: the place of its component in the agreement. */
  readonly component: number | null;
  readonly amount: Amount;
}

/**
 * A paper broken into its items: the work of each agreed line by cost type (bundles were broken into their parts when they were
 * agreed), what is held back and counted off, and the tax of each by component. The items sum to the paper's total. The net of
 * a line is shared out over its cost types by what they cost us.
 */
export function itemsOf(paper: BookedPaper, lines: readonly BookedLine[]): Item[] {
  const byId = new Map(lines.map((line) => [line.id, line]));
  const taxItems = (lineId: string | null, costCode: string | null, taxes: readonly Amount[]): Item[] =>
    taxes.map((amount, component) => ({
      kind: 'tax',
      lineId,
      costCode,
      costType: null,
      component,
      amount,
    }));
  const work = paper.draws.flatMap(({ lineId, net, taxes }) => {
    const { costCode, costs } = byId.get(lineId)!;
    const types = costTypes.filter((type) => (costs[type] ?? ZERO) !== 0n);
    const weights = types.map((type) => costs[type]!);
    const shares = sumAmounts(weights) === 0n ? null : allocateSigned(net, weights);
    const of = (costType: CostType | null, amount: Amount): Item => ({
      ...{ kind: 'work', lineId, costCode, costType, component: null, amount },
    });
    return [
      ...(shares ? types.map((type, t) => of(type, shares[t]!)) : [of(null, net)]),
      ...taxItems(lineId, costCode, taxes),
    ];
  });
  const apart = (kind: 'retainage' | 'advance') =>
    paper[kind].flatMap(({ net, taxes }): Item[] => [
      { kind, lineId: null, costCode: null, costType: null, component: null, amount: net },
      ...taxItems(null, null, taxes),
    ]);
  const late: Item = {
    kind: 'late charge',
    lineId: null,
    costCode: null,
    costType: null,
    component: null,
    amount: paper.late,
  };
  return [...work, ...apart('advance'), ...apart('retainage'), late].filter(({ amount }) => amount !== 0n);
}

/** A line of the journal: a debit above zero, a credit below. */
export interface Booking {
  readonly account: string;
  readonly costCode: string | null;
  readonly component: number | null;
  readonly amount: Amount;
}

const accountOf = (accounts: Accounts, { kind, costType }: Item): string =>
  ({
    work: accounts.income[costType ?? 'unknown'],
    retainage: accounts.retainage,
    advance: accounts.deposits,
    'late charge': accounts.late,
    tax: accounts.tax,
  })[kind];

/**
 * An issued paper in the journal: the customer owes its total (debit), and its items are what for (credits; what is held back is
 * below zero there, and so a debit). One booking for each account, cost code and component. The bookings sum to zero.
 */
export function bookPaper(accounts: Accounts, items: readonly Item[]): Booking[] {
  const groups = new Map<string, Booking>();
  for (const item of items) {
    const account = accountOf(accounts, item);
    const { costCode, component } = item;
    const key = JSON.stringify([account, costCode, component]);
    const amount = ((groups.get(key)?.amount ?? 0n) - item.amount) as Amount;
    groups.set(key, { account, costCode, component, amount });
  }
  const total = sumAmounts(items.map(({ amount }) => amount));
  return [
    { account: accounts.receivable, costCode: null, component: null, amount: total },
    ...groups.values(),
  ].filter(({ amount }) => amount !== 0n);
}

/**
 * Money that came in (above zero) or went out, in the journal: on its account, and off what the customer owes.
 * @param amount above zero came in, below zero went out
 */
export const bookMoney = (accounts: Accounts, method: PaymentMethod, amount: Amount): Booking[] => [
  { account: accounts.money[accountOfMethod(method)], costCode: null, component: null, amount },
  { account: accounts.receivable, costCode: null, component: null, amount: negateAmount(amount) },
];

/** Accounts as many small builders number them; common practice, no source. */
export const usualAccounts: Accounts = {
  receivable: '1100',
  retainage: '1150',
  deposits: '2300',
  tax: '2200',
  late: '4900',
  income: {
    material: '4010',
    labour: '4020',
    equipment: '4030',
    subcontract: '4040',
    other: '4050',
    unknown: '4000',
  },
  money: { card: '1030', cheque: '1010', transfer: '1010', cash: '1000' },
};
