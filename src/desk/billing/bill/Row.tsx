import type { WorkRow } from '@/core/billing';
import { showQuantity, writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import { unitAfter } from '@/model';
import { Cell } from '@/ui/live/Cell';
import type { BillRowsProps } from './BillRows';
import { askTyped, shownMoney, shownShare } from './BillRows';
import { SelectRows } from './SelectRows';

const round3 = (value: WorkRow['quantity']) => parseQuantity(writeFixed(value), 3);

/** One agreed line. Billed in full, it stands still. */
export function Row({
  row,
  inner,
  ...shared
}: BillRowsProps & {
  readonly row: WorkRow;
  /** Stands below the row of its bundle. */
  readonly inner: boolean;
}) {
  const { work, askLines } = shared;
  const { line } = row;
  const { unit, bundle } = work.lines[line.id]!;
  const money = (value: bigint) => shownMoney(work, value);
  const fixed = row.finished;
  const quantity = row.quantity === 0n ? '' : showQuantity(fixed ? row.quantity : round3(row.quantity));
  const cell = (name: string, what: string, shown: string, commit: (text: string) => void) =>
    fixed ? (
      <span className="bill-fixed">{shown}</span>
    ) : (
      <Cell
        name={name}
        label={`${what} of ${line.description}`}
        align="right"
        shown={shown}
        commit={commit}
      />
    );
  return (
    <tr className={[row.now !== 0n && 'bill-now', inner && 'bill-inner'].filter(Boolean).join(' ')}>
      <td>
        <SelectRows name={line.description} rows={[row]} {...shared} />
      </td>
      <td>
        {line.description}
        {bundle && !inner && <span className="soft"> · {bundle.name}</span>}
      </td>
      <td className="amount">{money(row.agreed)}</td>
      <td className="amount">{money(row.before)}</td>
      <td className="cell-narrow bill-this">
        {cell('now', 'Amount this time', money(row.now), (text) => askTyped(shared, [row], 'amount', text))}
      </td>
      <td className="cell-narrow bill-percent">
        {cell('percent', 'Percent to date', shownShare(row.share), (text) =>
          askTyped(shared, [row], 'percent', text),
        )}
      </td>
      <td className="cell-narrow bill-quantity">
        {cell('quantity', 'Quantity to date', quantity, (text) =>
          askLines([{ line: line.id, to: { quantity: writeFixed(parseQuantity(text.trim() || '0')) } }]),
        )}
        <span className="soft bill-of">
          of {showQuantity(line.quantity)} {unitAfter(writeFixed(line.quantity), unit)}
        </span>
      </td>
      <td className="amount">{money(row.toDate)}</td>
      <td className="amount">{money(row.left)}</td>
    </tr>
  );
}
