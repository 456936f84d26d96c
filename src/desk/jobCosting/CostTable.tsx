import type { Job } from '@/services/jobCosting/jobReport';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';

type Row = Job['byCode'][number];

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));

/** How wide a bar is drawn, in percent of the widest. For drawing only. */
const width = (part: string, most: number): string =>
  most === 0 ? '0%' : `${Math.min(100, (Math.max(0, Number(part)) / most) * 100)}%`;

/** Budget against cost by a group, with a bar for both. */
export function CostTable({ head, rows, total }: { head: string; rows: readonly Row[]; total: Row }) {
  const most = Math.max(0, ...rows.flatMap(({ budget, expected }) => [Number(budget), Number(expected)]));
  const cells = (row: Row) => (
    <>
      <td className="amount">{amount(row.budget)}</td>
      <td className="amount">{amount(row.cost)}</td>
      <td className="amount">{amount(row.toCome)}</td>
      <td className="amount">{amount(row.expected)}</td>
      <td className={!isBelowZero(row.over) && !isNothing(row.over) ? 'amount wrong' : 'amount'}>
        {amount(row.over)}
      </td>
    </>
  );
  return (
    <table className="table-plain" aria-label={`By ${head.toLowerCase()}`}>
      <thead>
        <tr>
          <th>{head}</th>
          <th className="job-bar-head">Budget (line) and cost (bar)</th>
          <th className="amount">Budget</th>
          <th className="amount">Cost</th>
          <th className="amount">To come</th>
          <th className="amount">Expected</th>
          <th className="amount">Over budget</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            <td>{row.name || 'none'}</td>
            <td>
              <span className="job-bar" aria-hidden="true">
                <span className="job-bar-cost" style={{ width: width(row.cost, most) }} />
                <span className="job-bar-budget" style={{ left: width(row.budget, most) }} />
              </span>
            </td>
            {cells(row)}
          </tr>
        ))}
        <tr className="job-total">
          <td>All</td>
          <td />
          {cells(total)}
        </tr>
      </tbody>
    </table>
  );
}
