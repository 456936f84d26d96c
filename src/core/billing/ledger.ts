import type { BillingTerms, ScheduleEntry } from '@/model';
import type { Amount, Fixed } from '../number';
import { parsePercent, shareOf, subtractAmounts, sumAmounts } from '../number';
import { BillingError, drawnToDate, grossOf, leftOf } from './draws';
import type { ClassedLine, Paper, Portion } from './paper';
import { byClass, negativePortions, paperSums, something, sumPortions } from './paper';

/** An agreed line as it can be billed. */
export interface LedgerLine extends ClassedLine {
  readonly description: string;
  readonly quantity: Fixed;
  readonly sectionTitle: string;
  /** The stage it is done in; null: none. */
  readonly stage: string | null;
}

/** A payment of the schedule, to date. */
export interface LedgerEntry {
  readonly id: string;
  readonly name: string;
  readonly kind: ScheduleEntry['kind'];
  readonly amount: Amount;
}

/** A paper that was issued. */
export interface Issued extends Paper {
  readonly id: string;
  /** The payment of the schedule it bills; null: none. */
  readonly entryId: string | null;
  /** The invoice a credit note takes back; null on invoices, and on a credit note on the agreement itself. */
  readonly credits: string | null;
}

/** An agreement with everything issued on it, as billing sees it. */
export interface Ledger {
  readonly minorDigits: number;
  readonly terms: BillingTerms;
  readonly lines: readonly LedgerLine[];
  readonly components: number;
  readonly entries: readonly LedgerEntry[];
  readonly papers: readonly Issued[];
}

/** Where an agreement stands with its bills. All of it tax included. */
export interface Position {
  readonly sumToDate: Amount;
  /** Of each line, in the order of the lines. */
  readonly before: ReturnType<typeof drawnToDate>;
  readonly left: ReturnType<typeof leftOf>;
  /** Work billed. */
  readonly workBilled: Amount;
  readonly workLeft: Amount;
  /** Held back and not released, by tax class. */
  readonly held: readonly Portion[];
  readonly heldGross: Amount;
  /** Released so far. */
  readonly released: Amount;
  /** Work of which retainage is reckoned. */
  readonly holding: Amount;
  /** Billed ahead and not counted off yet, by tax class. */
  readonly ahead: readonly Portion[];
  readonly aheadGross: Amount;
  /** What was asked to be paid: all totals, those of credit notes below zero. */
  readonly billed: Amount;
  /** What will still be asked: work left and what is held, less what was paid ahead. */
  readonly leftToBill: Amount;
}

/** Reckons where an agreement stands. */
export function positionOf({ lines, papers, components }: Ledger): Position {
  const before = drawnToDate(
    lines,
    papers.flatMap(({ draws }) => draws),
  );
  const left = leftOf(lines, before);
  const held = something(negativePortions(sumPortions(papers.flatMap(({ retainage }) => retainage))));
  const ahead = something(sumPortions(papers.flatMap(({ advance }) => advance)));
  const kindOf = new Map(papers.map(({ id, kind }) => [id, kind]));
  const releases = papers.filter(
    ({ kind, credits }) => kind === 'release' || (credits !== null && kindOf.get(credits) === 'release'),
  );
  const sumToDate = grossOf(lines);
  const billed = sumAmounts(papers.map((paper) => paperSums(paper, components).total));
  return {
    sumToDate,
    before,
    left,
    workBilled: grossOf(before),
    workLeft: grossOf(left),
    held,
    heldGross: grossOf(held),
    released: grossOf(releases.flatMap(({ retainage }) => retainage)),
    holding: grossOf(
      papers.filter(({ countsTowardRetainage }) => countsTowardRetainage).flatMap(({ draws }) => draws),
    ),
    ahead,
    aheadGross: grossOf(ahead),
    billed,
    leftToBill: subtractAmounts(sumToDate, billed),
  };
}

/** What of a payment of the schedule is billed: its invoices less what credit notes take back of them. */
export function billedOfEntry(
  { papers, components }: Pick<Ledger, 'papers' | 'components'>,
  entryId: string,
): Amount {
  return sumAmounts(
    papers
      .filter((paper) => paper.entryId === entryId)
      .map((paper) => {
        const { total, retainage } = paperSums(paper, components);
        // What is held back of it is billed all the same: it comes with the release.
        return subtractAmounts(total, retainage);
      }),
  );
}

/**
 * The most that may be held when so much work is billed.
 * @param holding net of the work that retainage is taken of
 * @param sumToDate the contract sum with its change orders
 */
export function retainageTarget(terms: BillingTerms, holding: Amount, sumToDate: Amount): Amount {
  const { retainage } = terms;
  if (!retainage || holding <= 0n) return 0n as Amount;
  const held = shareOf(holding, parsePercent(retainage.percent));
  if (retainage.limit === undefined) return held;
  const limit = shareOf(sumToDate, parsePercent(retainage.limit));
  return (held < limit ? held : limit < 0n ? 0n : limit) as Amount;
}

/**
 * What draws come to by tax class.
 * @throws BillingError in words, for what cannot be billed
 */
export function drawnByClass(
  lines: readonly ClassedLine[],
  draws: readonly { readonly lineId: string; readonly net: Amount; readonly taxes: readonly Amount[] }[],
): Portion[] {
  const classOf = new Map(lines.map(({ id, taxClass }) => [id, taxClass]));
  return byClass(
    draws.map(({ lineId, net, taxes }) => {
      const taxClass = classOf.get(lineId);
      if (taxClass === undefined) throw new BillingError('This line is not in the agreement.');
      return { id: lineId, taxClass, net, taxes };
    }),
  );
}
