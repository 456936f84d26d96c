import { groupBy } from '../collections/groupBy';
import type { Amount, Fixed } from '../number';
import { ONE, ZERO, addAmounts, divideRounded, parsePercent, subtractAmounts, sumAmounts } from '../number';
import type { Draw } from './draws';
import type { Ledger, LedgerLine, Position } from './ledger';

/** Money of a row: agreed, billed before, on this invoice, both together, and what is left. */
export interface WorkFigures {
  readonly agreed: Amount;
  readonly before: Amount;
  readonly now: Amount;
  readonly toDate: Amount;
  readonly left: Amount;
  /** To date as a fraction of what was agreed; null where nothing was. */
  readonly share: Fixed | null;
}

export interface WorkRow extends WorkFigures {
  readonly line: LedgerLine;
  /** The quantity to date that comes to the money to date. */
  readonly quantity: Fixed;
  /** Billed in full before this. */
  readonly finished: boolean;
}

export interface WorkGroup extends WorkFigures {
  readonly name: string;
  readonly rows: readonly WorkRow[];
  readonly finished: boolean;
}

/**
 * The figures of a row from what was agreed, billed before, and billed now.
 * @param agreed net
 * @param before net billed by the papers before
 * @param now net billed this time
 */
export function workFigures(agreed: Amount, before: Amount, now: Amount): WorkFigures {
  const toDate = addAmounts(before, now);
  return {
    agreed,
    before,
    now,
    toDate,
    left: subtractAmounts(agreed, toDate),
    share: agreed === 0n ? null : (divideRounded(toDate * ONE, agreed) as Fixed),
  };
}

/** Sums of rows. */
export const sumOfRows = (rows: readonly WorkFigures[]): WorkFigures =>
  workFigures(
    sumAmounts(rows.map(({ agreed }) => agreed)),
    sumAmounts(rows.map(({ before }) => before)),
    sumAmounts(rows.map(({ now }) => now)),
  );

/**
 * Every line of an agreement with what an invoice bills of it: the table it is worked on, and the continuation of a
 * progress statement.
 */
export function workRows({ lines }: Ledger, { before }: Position, draws: readonly Draw[]): WorkRow[] {
  const now = new Map(draws.map(({ lineId, net }) => [lineId, net]));
  return lines.map((line, i) => {
    const billed = before[i]!.net;
    const figures = workFigures(line.net, billed, now.get(line.id) ?? ZERO);
    return {
      line,
      ...figures,
      quantity: (line.net === 0n ? 0n : divideRounded(line.quantity * figures.toDate, line.net)) as Fixed,
      finished: billed === line.net && line.net !== 0n,
    };
  });
}

/**
 * Rows under their names, in the order in which the names come first, each name with the sums of its rows.
 * @param rows money in minor units
 */
export function gather<T extends WorkFigures>(
  rows: readonly T[],
  nameOf: (row: T) => string,
): (WorkFigures & { readonly name: string; readonly rows: readonly T[] })[] {
  return [...groupBy(rows, nameOf)].map(([name, own]) => ({ name, rows: own, ...sumOfRows(own) }));
}

/** Rows of a table under their names, and whether each group was billed in full before. */
export function workGroups(rows: readonly WorkRow[], nameOf: (line: LedgerLine) => string): WorkGroup[] {
  return gather(rows, ({ line }) => nameOf(line)).map((group) => ({
    ...group,
    finished: group.rows.every(({ finished, agreed }) => finished || agreed === 0n),
  }));
}

/**
 * Asks that bill rows up to a percent, as when a section or a stage is typed at: rows that are billed further stay as
 * they are.
 * @param percent from 0 to 100, as text
 */
export function asksUpTo(
  rows: readonly WorkRow[],
  percent: string,
): { line: string; to: { percent: string } }[] {
  const wanted = parsePercent(percent);
  return rows
    .filter(
      ({ agreed, before }) =>
        agreed !== 0n && divideRounded(agreed * wanted, ONE) * sign(agreed) >= before * sign(agreed),
    )
    .map(({ line }) => ({ line: line.id, to: { percent } }));
}

const sign = (value: bigint): bigint => (value < 0n ? -1n : 1n);
