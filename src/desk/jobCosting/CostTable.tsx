import type { ReactNode } from 'react';
import type { Job } from '@/services/jobCosting/jobReport';
import { PlainTable } from '@/ui/tables/PlainTable';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';

type Row = Job['byCode'][number];

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));

/** How wide a bar is drawn, in percent of the widest. For drawing only. */
const width = (part: string, most: number): string =>
  most === 0 ? '0%' : `${Math.min(100, (Math.max(0, Number(part)) / most) * 100)}%`;

const figures: readonly {
  readonly key: string;
  readonly title: string;
  readonly cell: (row: Row) => ReactNode;
}[] = [
  { key: 'budget', title: 'Budget', cell: (row) => amount(row.budget) },
  { key: 'cost', title: 'Cost', cell: (row) => amount(row.cost) },
  { key: 'toCome', title: 'To come', cell: (row) => amount(row.toCome) },
  { key: 'expected', title: 'Expected', cell: (row) => amount(row.expected) },
  {
    key: 'over',
    title: 'Over budget',
    cell: ({ over }) => (
      <span className={!isBelowZero(over) && !isNothing(over) ? 'wrong' : ''}>{amount(over)}</span>
    ),
  },
];

/** Budget against cost by a group, with a bar for both. */
export function CostTable({ head, rows, total }: { head: string; rows: readonly Row[]; total: Row }) {
  const most = Math.max(0, ...rows.flatMap(({ budget, expected }) => [Number(budget), Number(expected)]));
  return (
    <PlainTable
      label={`By ${head.toLowerCase()}`}
      rows={rows}
      rowKey={({ name }) => name}
      columns={[
        { key: 'name', title: head, cell: ({ name }) => name || 'none' },
        {
          key: 'bar',
          title: 'Budget (line) and cost (bar)',
          className: 'job-bar-cell',
          cell: (row) => (
            <span className="job-bar" aria-hidden="true">
              <span className="job-bar-cost" style={{ width: width(row.cost, most) }} />
              <span className="job-bar-budget" style={{ left: width(row.budget, most) }} />
            </span>
          ),
        },
        ...figures.map((column) => ({ ...column, figure: true })),
      ]}
      foot={[{ name: 'All', ...Object.fromEntries(figures.map(({ key, cell }) => [key, cell(total)])) }]}
    />
  );
}
