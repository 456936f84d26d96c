import type { WorkFigures, WorkRow } from '@/core/billing';
import { Cell } from '@/ui/live/Cell';
import type { BillRowsProps } from './BillRows';
import { askTyped, shownMoney, shownShare } from './BillRows';

/** The figures of several rows together; an amount or a percent typed here bills all of them. */
export function SumCells({
  name,
  rows,
  figures,
  ...shared
}: BillRowsProps & {
  readonly name: string;
  readonly rows: readonly WorkRow[];
  readonly figures: WorkFigures;
}) {
  const money = (value: bigint) => shownMoney(shared.work, value);
  const finished = rows.every((row) => row.finished || row.agreed === 0n);
  return (
    <>
      <td className="amount">{money(figures.agreed)}</td>
      <td className="amount">{money(figures.before)}</td>
      <td className={finished ? 'amount' : 'cell-narrow bill-this'}>
        {finished ? (
          money(figures.now)
        ) : (
          <Cell
            name="now"
            label={`Amount this time of ${name}`}
            align="right"
            shown={money(figures.now)}
            commit={(text) => askTyped(shared, rows, 'amount', text)}
          />
        )}
      </td>
      <td className={finished ? 'amount' : 'cell-narrow bill-percent'}>
        {finished ? (
          shownShare(figures.share)
        ) : (
          <Cell
            name="percent"
            label={`Percent to date of ${name}`}
            align="right"
            shown={shownShare(figures.share)}
            commit={(text) => askTyped(shared, rows, 'percent', text)}
          />
        )}
      </td>
      <td />
      <td className="amount">{money(figures.toDate)}</td>
      <td className="amount">{money(figures.left)}</td>
    </>
  );
}
