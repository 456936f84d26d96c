import type { Discount, Fee } from '@/model';
import type { Amount } from '../number';
import { ZERO, allocate, parseAmount, parsePercent, shareOf, sumAmounts } from '../number';
import { discountOn } from './discount';
import type { TaxFigures, TaxRules } from './tax';
import { taxesOn, withoutTax } from './tax';

/** Amounts of one tax class: a discount falls on what is above zero only. */
export interface ClassSum {
  readonly above: bigint;
  readonly below: bigint;
}

/** By tax class. */
export type ClassSums = ReadonlyMap<string, ClassSum>;

export interface FeeFigures {
  readonly fee: Fee;
  readonly amount: Amount;
}

/** What of a document leads from the sums of its sections to its total. */
export interface Terms extends TaxRules {
  readonly discount?: Discount | undefined;
  readonly fees: readonly Fee[];
}

/**
 * Adds an amount to the sum of its class.
 * @param amount minor units
 */
export function addTo(sums: Map<string, ClassSum>, taxClass: string, amount: bigint): void {
  const { above, below } = sums.get(taxClass) ?? { above: 0n, below: 0n };
  sums.set(taxClass, amount > 0n ? { above: above + amount, below } : { above, below: below + amount });
}

/** Adds up sums by class. */
export function addSums(all: Iterable<ClassSums>): Map<string, ClassSum> {
  const into = new Map<string, ClassSum>();
  for (const sums of all)
    for (const [taxClass, { above, below }] of sums) {
      const sum = into.get(taxClass);
      into.set(taxClass, sum ? { above: sum.above + above, below: sum.below + below } : { above, below });
    }
  return into;
}

/** Net of sums by class. */
export const netOf = (sums: ClassSums): Amount =>
  [...sums.values()].reduce((sum, { above, below }) => sum + above + below, 0n) as Amount;

export interface Discounted {
  readonly discount: Amount;
  /** The discount by class; empty when there is none. */
  readonly shares: ReadonlyMap<string, Amount>;
  readonly sums: ClassSums;
}

/**
 * Takes a discount off sums by class: to the classes by what they have above zero, in the order of the document's
 * classes; never more than there is.
 * @param digits decimals of the currency
 */
export function discounted(
  sums: ClassSums,
  discount: Discount | undefined,
  { taxClasses }: Pick<Terms, 'taxClasses'>,
  digits: number,
): Discounted {
  const off = discount ? discountOn(netOf(sums), discount, digits) : ZERO;
  if (off === 0n) return { discount: ZERO, shares: new Map(), sums };
  const classes = taxClasses.filter(({ id }) => sums.has(id)).map(({ id }) => id);
  const parts = allocate(
    off,
    classes.map((id) => sums.get(id)!.above),
  );
  const shares = new Map(classes.map((id, i) => [id, parts[i]!] as const));
  const left = new Map(
    [...sums].map(
      ([id, { above, below }]) => [id, { above: above - (shares.get(id) ?? 0n), below }] as const,
    ),
  );
  return { discount: off, shares, sums: left };
}

/**
 * Shares of a discount by amount: each class's share goes to the amounts of the class, those at or below zero get none.
 */
export function sharesByAmount(
  shares: ReadonlyMap<string, Amount>,
  rows: readonly { readonly taxClass: string; readonly net: Amount }[],
): Amount[] {
  const parts: Amount[] = rows.map(() => ZERO);
  for (const [taxClass, share] of shares) {
    if (share === 0n) continue;
    const places = rows.flatMap((row, i) => (row.taxClass === taxClass && row.net > 0n ? [i] : []));
    const split = allocate(
      share,
      places.map((i) => rows[i]!.net),
    );
    places.forEach((place, i) => (parts[place] = split[i]!));
  }
  return parts;
}

export interface Totals {
  /** Discount on the whole. */
  readonly discount: Amount;
  readonly discountShares: ReadonlyMap<string, Amount>;
  /** What the lines cost the customer before fees, and before tax unless it is inside. */
  readonly subtotal: Amount;
  /** The subtotal without the tax inside it. */
  readonly beforeTax: Amount;
  readonly fees: readonly FeeFigures[];
  readonly taxes: readonly TaxFigures[];
  readonly taxTotal: Amount;
  readonly total: Amount;
}

/**
 * What a fee comes to: its fixed amount, or a share of the subtotal, never more than the most it may come to. Of a subtotal
 * below zero it is below zero, and mirrored.
 * @param subtotal minor units, after all discounts
 * @param digits decimals of the currency
 */
export function feeOn({ amount }: Pick<Fee, 'amount'>, subtotal: Amount, digits: number): Amount {
  if ('fixed' in amount) return parseAmount(amount.fixed, digits);
  const share = shareOf(subtotal, parsePercent(amount.percent));
  if (amount.most === undefined) return share;
  const most = parseAmount(amount.most, digits);
  if (share > most) return most;
  return -share > most ? (-most as Amount) : share;
}

/**
 * From the sums of the sections to the total: discount on the whole, fees on the discounted subtotal, tax.
 *
 * @param sections sums by class after the discounts on lines and sections
 * @param linesOf what the lines come to after the whole's discount, by its shares; asked only where tax is rounded by line
 * @param digits decimals of the currency
 */
export function totalsOf(
  terms: Terms,
  digits: number,
  sections: Iterable<ClassSums>,
  linesOf: (
    shares: ReadonlyMap<string, Amount>,
  ) => readonly { readonly taxClass: string; readonly net: Amount }[],
): Totals {
  const { discount, shares, sums } = discounted(addSums(sections), terms.discount, terms, digits);
  const subtotal = netOf(sums);
  const fees = terms.fees.map((fee): FeeFigures => ({ fee, amount: feeOn(fee, subtotal, digits) }));

  const byLine = terms.tax?.rounding === 'line';
  const amounts = new Map<string, Amount[]>();
  const add = (taxClass: string, net: Amount) => {
    const of = amounts.get(taxClass);
    if (of) of.push(net);
    else amounts.set(taxClass, [net]);
  };
  if (byLine) for (const { taxClass, net } of linesOf(shares)) add(taxClass, net);
  else for (const [taxClass, { above, below }] of sums) add(taxClass, (above + below) as Amount);
  const classes = new Map(terms.taxClasses.map((taxClass) => [taxClass.id, taxClass]));
  const beforeTax = terms.tax?.inside
    ? sumAmounts(
        [...amounts].flatMap(([id, of]) => of.map((amount) => withoutTax(amount, classes.get(id), terms))),
      )
    : subtotal;
  for (const { fee, amount } of fees) add(fee.taxClass, amount);
  const taxed = byLine ? amounts : new Map([...amounts].map(([id, of]) => [id, [sumAmounts(of)]] as const));
  const taxes = taxesOn(taxed, terms);
  const taxTotal = sumAmounts(taxes.map((tax) => tax.amount));
  const feeSum = sumAmounts(fees.map((fee) => fee.amount));
  const onTop = terms.tax?.inside ? ZERO : taxTotal;
  return {
    discount,
    discountShares: shares,
    subtotal,
    beforeTax,
    fees,
    taxes,
    taxTotal,
    total: (subtotal + feeSum + onTop) as Amount,
  };
}
