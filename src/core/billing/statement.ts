import type { Amount, Fixed } from '../number';
import { ONE, ZERO, divideRounded, sumAmounts } from '../number';
import type { Draw } from './draws';
import { grossOf } from './draws';
import type { Issued, Ledger } from './ledger';
import { positionOf } from './ledger';
import { paperSums } from './paper';

/** A column set of a progress statement: scheduled value, before, this paper, to date, balance. */
export interface Columns {
  readonly agreed: Amount;
  readonly before: Amount;
  readonly now: Amount;
  readonly toDate: Amount;
  readonly left: Amount;
  /** To date as a fraction of the scheduled value; null where there is none. */
  readonly share: Fixed | null;
}

const columns = (agreed: Amount, before: Amount, now: Amount): Columns => {
  const toDate = (before + now) as Amount;
  return {
    agreed,
    before,
    now,
    toDate,
    left: (agreed - toDate) as Amount,
    share: agreed === 0n ? null : (divideRounded(toDate * ONE, agreed) as Fixed),
  };
};

/**
 * The progress statement of a paper: every line of the agreement with its columns, net; the sums net, of tax and with it;
 * and the sums of the application from the contract sum to the balance to finish, tax in them. The arithmetic of AIA G702
 * and G703 (from memory), with a deposit paid ahead beside the work.
 *
 * @param ledger the agreement as it stood when the paper was issued, with the papers before it
 * @param original the sum that was signed first
 */
export function statementOf(ledger: Ledger, paper: Issued, original: Amount) {
  const before = positionOf(ledger);
  const after = positionOf({ ...ledger, papers: [...ledger.papers, paper] });
  const drawn = new Map<string, Draw>(paper.draws.map((each) => [each.lineId, each]));
  const lines = ledger.lines.map((line, i) => ({
    id: line.id,
    ...columns(line.net, before.before[i]!.net, drawn.get(line.id)?.net ?? ZERO),
  }));
  const taxOf = (rows: readonly { readonly taxes: readonly Amount[] }[]) =>
    sumAmounts(rows.flatMap(({ taxes }) => taxes));
  const net = columns(
    sumAmounts(lines.map(({ agreed }) => agreed)),
    sumAmounts(lines.map((line) => line.before)),
    sumAmounts(lines.map(({ now }) => now)),
  );
  const tax = columns(taxOf(ledger.lines), taxOf(before.before), taxOf(paper.draws));
  const earned = (after.workBilled - after.heldGross) as Amount;
  return {
    lines,
    net,
    tax,
    gross: columns(grossOf(ledger.lines), before.workBilled, grossOf(paper.draws)),
    original,
    changes: (before.sumToDate - original) as Amount,
    sumToDate: before.sumToDate,
    completed: after.workBilled,
    held: after.heldGross,
    earned,
    ahead: after.aheadGross,
    billedBefore: before.billed,
    due: paperSums(paper, ledger.components).total,
    /** With what is held back. */
    toFinish: after.leftToBill,
  };
}

export type ProgressStatement = ReturnType<typeof statementOf>;
