import type { Column, Wider } from './columns';
import { amountWidth, optionalColumns, widthOf } from './columns';

/** The head of the sheet, with the columns a person chose. */
export function SheetHead({
  columns,
  wider,
}: {
  readonly columns: readonly Column[];
  readonly wider: Wider;
}) {
  return (
    <tr>
      <th className="row-grip">
        <span className="visually-hidden">Move</span>
      </th>
      <th>Description</th>
      <th className="amount col-quantity">Quantity</th>
      <th className="col-unit">Unit</th>
      {columns.map((column) => (
        <th
          key={column}
          style={{ width: widthOf(column, wider) }}
          className={['cost', 'price', 'hours', 'margin'].includes(column) ? 'amount' : ''}
        >
          {optionalColumns[column]}
        </th>
      ))}
      <th className="amount col-amount" style={{ width: amountWidth(wider) }}>
        Amount
      </th>
      <th className="row-more">
        <span className="visually-hidden">More</span>
      </th>
    </tr>
  );
}
