import type { Amount } from '../number';
import { ZERO, addAmounts, negateAmount, sumAmounts } from '../number';
import type { BillableLine, Draw } from './draws';
import { grossOf } from './draws';

/** Money of one tax class, apart from lines: what is held back of it, released, paid ahead or counted off. */
export interface Portion {
  readonly taxClass: string;
  readonly net: Amount;
  /** In the order of the agreement's components; zero where a component is not of the class. */
  readonly taxes: readonly Amount[];
}

export type PaperKind = 'invoice' | 'advance' | 'release' | 'credit note';

/** What can be issued: papers of the agreement, and charges for late payment, which are none of it. */
export type IssuedKind = PaperKind | 'late charge';

/**
 * One invoice or credit note on an agreement. Everything counts into its total with its sign: what is held back of the
 * work and what is counted off a deposit is below zero, what is released or billed ahead above.
 */
export interface Paper {
  readonly kind: PaperKind;
  readonly draws: readonly Draw[];
  readonly retainage: readonly Portion[];
  readonly advance: readonly Portion[];
  /** Whether its work counts where retainage is reckoned: a deposit's does not. */
  readonly countsTowardRetainage: boolean;
}

export interface PaperSums {
  /** Net of the work. */
  readonly work: Amount;
  readonly workTaxes: readonly Amount[];
  readonly workGross: Amount;
  readonly retainage: Amount;
  readonly advance: Amount;
  /** Net and tax of the whole paper, with what is held and counted off. */
  readonly net: Amount;
  readonly taxes: readonly Amount[];
  readonly tax: Amount;
  /** What is to pay: net and tax. Below zero on a credit note. */
  readonly total: Amount;
}

/**
 * Sums of a paper.
 * @param components how many components of tax the agreement has
 */
export function paperSums(paper: Paper, components: number): PaperSums {
  const parts = [...paper.retainage, ...paper.advance];
  const taxesOf = (rows: readonly { readonly taxes: readonly Amount[] }[]) =>
    Array.from({ length: components }, (_, t) => sumAmounts(rows.map(({ taxes }) => taxes[t] ?? ZERO)));
  const rows = [...paper.draws, ...parts];
  const work = sumAmounts(paper.draws.map(({ net }) => net));
  const net = sumAmounts(rows.map((row) => row.net));
  const taxes = taxesOf(rows);
  const tax = sumAmounts(taxes);
  return {
    work,
    workTaxes: taxesOf(paper.draws),
    workGross: grossOf(paper.draws),
    retainage: grossOf(paper.retainage),
    advance: grossOf(paper.advance),
    net,
    taxes,
    tax,
    total: addAmounts(net, tax),
  };
}

/** A line with the class its tax is of, as portions are reckoned from it. */
export interface ClassedLine extends BillableLine {
  readonly taxClass: string;
}

/** What lines come to by tax class. */
export function byClass(lines: readonly ClassedLine[]): Portion[] {
  const classes = new Map<string, { net: bigint; taxes: bigint[] }>();
  for (const { taxClass, net, taxes } of lines) {
    const sum = classes.get(taxClass) ?? { net: 0n, taxes: taxes.map(() => 0n) };
    sum.net += net;
    taxes.forEach((tax, t) => (sum.taxes[t] = (sum.taxes[t] ?? 0n) + tax));
    classes.set(taxClass, sum);
  }
  return [...classes].map(([taxClass, { net, taxes }]) => ({
    taxClass,
    net: net as Amount,
    taxes: taxes as Amount[],
  }));
}

/** Portions of several papers as one of each class. */
export const sumPortions = (portions: readonly Portion[]): Portion[] =>
  byClass(portions.map((portion) => ({ ...portion, id: portion.taxClass })));

/** Portions with their signs turned round. */
export const negativePortions = (portions: readonly Portion[]): Portion[] =>
  portions.map(({ taxClass, net, taxes }) => ({
    taxClass,
    net: negateAmount(net),
    taxes: taxes.map((tax) => negateAmount(tax)),
  }));

/** Portions of which something is there. */
export const something = (portions: readonly Portion[]): Portion[] =>
  portions.filter(({ net, taxes }) => net !== 0n || taxes.some((tax) => tax !== 0n));
