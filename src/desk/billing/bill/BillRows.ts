import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { WorkFigures, WorkRow } from '@/core/billing';
import { asksTyped, readTypedAsk } from '@/core/billing';
import { moneyOf, showPercent } from '@/core/number';
import type { LineAsk } from '@/model';

export type ByLine = Extract<LineAsk, { line: string }>;

/** What all rows of the table share. */
export interface BillRowsProps {
  readonly work: ProgressBilling;
  readonly askLines: (asks: readonly ByLine[]) => void;
  /** Lines that are selected, by id. */
  readonly selected: ReadonlySet<string>;
  readonly select: (ids: readonly string[], on: boolean) => void;
}

/** Money of the table: nothing where there is none. */
export const shownMoney = ({ ledger: { minorDigits } }: ProgressBilling, value: bigint): string =>
  value === 0n ? '' : moneyOf(minorDigits).show(value);

export const shownShare = (share: WorkFigures['share']): string =>
  share === null || share === 0n ? '' : showPercent(share, 2).replace(/\.?0+$/, '');

/** Takes what is typed for rows, in a column; what it throws is said where it was typed. */
export const askTyped = (
  { work, askLines }: BillRowsProps,
  rows: readonly WorkRow[],
  column: 'percent' | 'amount',
  text: string,
): void => {
  const { minorDigits } = work.ledger;
  askLines(asksTyped(rows, readTypedAsk(text, column, minorDigits), minorDigits));
};
