import { Button } from 'antd';
import type { WorkRow } from '@/core/billing';
import { sumOfRows } from '@/core/billing';
import { Cell } from '@/ui/live/Cell';
import type { BillRowsProps } from './BillRows';
import { askTyped, shownMoney, shownShare } from './BillRows';

/** What is selected, billed together: a percent to date, or an amount this time over all of it. */
export function SelectedWork({ rows, ...shared }: BillRowsProps & { readonly rows: readonly WorkRow[] }) {
  const { work, select } = shared;
  const figures = sumOfRows(rows);
  return (
    <div className="bill-selected" role="toolbar" aria-label="Selected work">
      <strong>
        {rows.length} selected, {shownMoney(work, figures.agreed) || '0'} agreed
      </strong>
      <label>
        To date %
        <Cell
          name="selected percent"
          label="Percent to date of what is selected"
          align="right"
          shown={shownShare(figures.share)}
          commit={(text) => askTyped(shared, rows, 'percent', text)}
        />
      </label>
      <label>
        This time
        <Cell
          name="selected now"
          label="Amount this time of what is selected"
          align="right"
          shown={shownMoney(work, figures.now)}
          commit={(text) => askTyped(shared, rows, 'amount', text)}
        />
      </label>
      <Button
        type="text"
        size="small"
        onClick={() =>
          select(
            rows.map(({ line }) => line.id),
            false,
          )
        }
      >
        Clear
      </Button>
    </div>
  );
}
