import type { Amount } from '../number';
import { ZERO, subtractAmounts, sumAmounts } from '../number';
import type { Draw } from './draws';
import { grossOf } from './draws';
import type { Issued, Ledger } from './ledger';
import { positionOf } from './ledger';
import { paperSums } from './paper';
import { sumOfRows, workFigures } from './progressBilling';

/**
 * The progress statement of a paper: every line of the agreement with its columns, net; the sums net, of tax and with it;
 * and the sums of the application from the contract sum to the balance to finish, including tax. The arithmetic of AIA G702
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
    ...workFigures(line.net, before.before[i]!.net, drawn.get(line.id)?.net ?? ZERO),
  }));
  const taxOf = (rows: readonly { readonly taxes: readonly Amount[] }[]) =>
    sumAmounts(rows.flatMap(({ taxes }) => taxes));
  const net = sumOfRows(lines);
  const tax = workFigures(taxOf(ledger.lines), taxOf(before.before), taxOf(paper.draws));
  const earned = subtractAmounts(after.workBilled, after.heldGross);
  return {
    lines,
    net,
    tax,
    gross: workFigures(grossOf(ledger.lines), before.workBilled, grossOf(paper.draws)),
    original,
    changes: subtractAmounts(before.sumToDate, original),
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
