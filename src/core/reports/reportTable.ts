import type { Amount, Fixed } from '../number';
import { ZERO, addAmounts, divideRounded, moneyOf, writeFixedPlaces } from '../number';

/** What a column of a report is: it decides how it is aligned, summed and exported. */
export type ReportColumnKind = 'text' | 'day' | 'count' | 'amount' | 'percent';

export interface ReportColumn {
  readonly key: string;
  readonly title: string;
  readonly kind: ReportColumnKind;
  /** Of a percent: the columns it is the first in the second of. Reckoned for each row and from the sums, never summed. */
  readonly of?: readonly [part: string, whole: string];
  /** Below zero is worth a look. */
  readonly minds?: true;
}

/** A row before it is written: amounts by their columns, and words, days and counts by theirs. */
export interface ReportRow {
  /** Rows of one identity are one row; their amounts and counts are summed. */
  readonly id: string;
  /** The agreement it leads to; null: it is of several. */
  readonly agreementId: string | null;
  readonly words: Readonly<Record<string, string>>;
  readonly counts?: Readonly<Record<string, number>>;
  readonly amounts: Readonly<Record<string, Amount>>;
}

/** A row as it is shown: every cell as text, amounts as decimals of the currency; a percent is empty where the whole is nothing. */
export interface WrittenRow {
  readonly id: string;
  readonly agreementId: string | null;
  readonly cells: Readonly<Record<string, string>>;
}

export interface ReportTable {
  readonly columns: readonly ReportColumn[];
  readonly rows: readonly WrittenRow[];
  /** Sums of amounts and counts over all rows, and the percents of these. */
  readonly sums: Readonly<Record<string, string>>;
}

/** A tenth, in the millionths of a decimal. */
const TENTH = 100_000n;

/**
 * How many percent one amount is of another, with one decimal, rounded half away from zero; empty where the whole is nothing.
 * @param part minor units
 * @param whole minor units
 * @example percentOf(333n, 1000n) // '33.3'
 */
export function percentOf(part: Amount, whole: Amount): string {
  if (whole === 0n) return '';
  return writeFixedPlaces((divideRounded(part * 1000n, whole) * TENTH) as Fixed, 1);
}

/** Rows of one identity put together, in the order they first come. */
export function mergeRows(rows: readonly ReportRow[]): ReportRow[] {
  const merged = new Map<string, ReportRow>();
  for (const row of rows) {
    const before = merged.get(row.id);
    merged.set(row.id, before ? added(before, row) : row);
  }
  return [...merged.values()];
}

function added(one: ReportRow, other: ReportRow): ReportRow {
  const keys = [...new Set([...Object.keys(one.amounts), ...Object.keys(other.amounts)])];
  const counts = [...new Set([...Object.keys(one.counts ?? {}), ...Object.keys(other.counts ?? {})])];
  return {
    ...one,
    agreementId: one.agreementId === other.agreementId ? one.agreementId : null,
    amounts: Object.fromEntries(
      keys.map((key) => [key, addAmounts(one.amounts[key] ?? ZERO, other.amounts[key] ?? ZERO)]),
    ),
    counts: Object.fromEntries(
      counts.map((key) => [key, (one.counts?.[key] ?? 0) + (other.counts?.[key] ?? 0)]),
    ),
  };
}

/** The share two amounts are of each other as a number to sort by; less than anything where there is no whole. */
const shareOf = ({ amounts }: ReportRow, [part, whole]: readonly [string, string]): number => {
  const all = amounts[whole] ?? ZERO;
  return all === 0n ? -Infinity : Number(amounts[part] ?? ZERO) / Number(all);
};

/** Rows in the order of a column, numbers by their size and words by their letters; equal ones stay as they stand. */
export function sortRows(
  columns: readonly ReportColumn[],
  rows: readonly ReportRow[],
  { by, down }: { readonly by: string; readonly down: boolean },
): ReportRow[] {
  const column = columns.find(({ key }) => key === by);
  if (!column) return [...rows];
  const valueOf = (row: ReportRow): bigint | number | string =>
    column.of
      ? shareOf(row, column.of)
      : column.kind === 'amount'
        ? (row.amounts[by] ?? ZERO)
        : column.kind === 'count'
          ? (row.counts?.[by] ?? 0)
          : /^\d+$/.test(row.words[by] ?? '')
            ? Number(row.words[by])
            : (row.words[by] ?? '').toLowerCase();
  const way = down ? -1 : 1;
  return rows
    .map((row) => ({ row, value: valueOf(row) }))
    .sort((a, b) => (a.value < b.value ? -way : a.value > b.value ? way : 0))
    .map(({ row }) => row);
}

/**
 * Writes the rows of a report and what they sum to.
 * @param digits decimals of the currency
 */
export function reportTable(
  columns: readonly ReportColumn[],
  rows: readonly ReportRow[],
  digits: number,
): ReportTable {
  const money = moneyOf(digits);
  const all = rows.reduce<ReportRow>(added, { id: '', agreementId: null, words: {}, amounts: {} });
  const cellsOf = ({ words, amounts, counts = {} }: ReportRow): Record<string, string> =>
    Object.fromEntries(
      columns.map(({ key, kind, of }) => [
        key,
        of
          ? percentOf(amounts[of[0]] ?? ZERO, amounts[of[1]] ?? ZERO)
          : kind === 'amount'
            ? money.write(amounts[key] ?? ZERO)
            : kind === 'count'
              ? String(counts[key] ?? 0)
              : (words[key] ?? ''),
      ]),
    );
  return {
    columns,
    rows: rows.map((row) => ({ id: row.id, agreementId: row.agreementId, cells: cellsOf(row) })),
    sums: cellsOf(all),
  };
}
