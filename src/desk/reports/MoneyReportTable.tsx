'use client';

import type { TableColumnType } from 'antd';
import { Table } from 'antd';
import Link from 'next/link';
import type { ListState, Sort } from '@/core/lists';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import type { ReportColumn, WrittenRow } from '@/core/reports';
import { showShortDate } from '@/core/text/dates';
import type { MoneyReportAtDesk } from '@/services/reports/moneyReport';
import { namedCell } from '@/ui/tables/namedCell';
import '@/ui/tables/tables.css';

/** Rows that are shown; the sums are over all, and all are in the files. */
const SHOWN = 200;

const isFigure = ({ kind }: ReportColumn) => kind === 'amount' || kind === 'percent' || kind === 'count';

/** A cell in figures or words; nothing is empty, and what is worth a look is told apart. */
function Cell({ column, text }: { readonly column: ReportColumn; readonly text: string }) {
  if (text === '') return null;
  if (column.kind === 'day') return showShortDate(text);
  if (column.kind === 'count') return text === '0' ? null : text;
  if (!isFigure(column)) return text;
  const shown = isNothing(text) && column.kind === 'amount' ? '' : showDecimal(text);
  return column.minds && isBelowZero(text) ? <span className="wrong">{shown}</span> : shown;
}

/** The columns that are shown: of an agreement, its customer stands below its title. */
const shownOf = (columns: readonly ReportColumn[]) =>
  columns[0]?.key === 'customer' ? columns : columns.filter(({ key }) => key !== 'customer');

/** The first column that leads to the agreement, where a row is of one. */
const leads = (columns: readonly ReportColumn[]) => columns.find(({ key }) => key === 'title')?.key;

/** Words that lead to something have room; a number is not broken. */
const classOf = (key: string, link: string | undefined) =>
  key === link || key === 'item' ? 'report-title' : key === 'number' ? 'report-word' : '';

const tableColumn = (
  column: ReportColumn,
  link: string | undefined,
  /** The customer has a column apart. */
  apart: boolean,
  sort: Sort,
): TableColumnType<WrittenRow> => ({
  key: column.key,
  title: column.title,
  ...(isFigure(column)
    ? { align: 'right', className: 'amount' }
    : column.kind === 'day'
      ? { className: 'list-day' }
      : { className: classOf(column.key, link) }),
  sorter: true,
  sortOrder: sort.by !== column.key ? null : sort.down ? 'descend' : 'ascend',
  onCell: () => namedCell(column.title),
  render: (_: unknown, { agreementId, cells }: WrittenRow) => {
    const cell = <Cell column={column} text={cells[column.key] ?? ''} />;
    if (column.key !== link || agreementId === null) return cell;
    return (
      <>
        <Link href={`/agreements/${agreementId}`} prefetch={false}>
          {cell}
        </Link>
        {cells.customer !== undefined && !apart && <div className="soft">{cells.customer}</div>}
      </>
    );
  },
});

/** The rows of a report with their sums, sorted by a click on a column. */
export function MoneyReportTable({
  report: { id, columns: all, rows, sums },
  title,
  sort,
  go,
}: {
  readonly report: MoneyReportAtDesk;
  readonly title: string;
  readonly sort: Sort;
  readonly go: (next: Partial<ListState>) => void;
}) {
  const columns = shownOf(all);
  const link = leads(columns);
  return (
    <>
      <div className="list-frame" tabIndex={0} role="region" aria-label={`${title}, all columns`}>
        <Table<WrittenRow>
          className={`table-plain report-table report-${id}`}
          aria-label={title}
          rowKey="id"
          size="small"
          pagination={false}
          sortDirections={['ascend', 'descend', 'ascend']}
          dataSource={rows.slice(0, SHOWN)}
          columns={columns.map((column) => tableColumn(column, link, columns.length === all.length, sort))}
          showSorterTooltip={false}
          onChange={(_, __, sorter) => {
            if (Array.isArray(sorter) || sorter.columnKey === undefined) return;
            go({ sort: { by: String(sorter.columnKey), down: sorter.order === 'descend' } });
          }}
          summary={() => (
            <Table.Summary.Row className="list-total">
              {columns.map((column, i) => (
                <Table.Summary.Cell
                  key={column.key}
                  index={i}
                  {...(isFigure(column) ? { align: 'right' as const } : {})}
                >
                  {i === 0 ? (
                    rows.length === 1 ? (
                      'All'
                    ) : (
                      `All ${rows.length}`
                    )
                  ) : column.kind === 'amount' || column.kind === 'percent' ? (
                    <Cell column={column} text={sums[column.key] ?? ''} />
                  ) : (
                    ''
                  )}
                </Table.Summary.Cell>
              ))}
            </Table.Summary.Row>
          )}
        />
      </div>
      {rows.length > SHOWN && (
        <p>
          The first {SHOWN} of {rows.length} rows in this order; all of them are in the sums and in the files.
        </p>
      )}
    </>
  );
}
