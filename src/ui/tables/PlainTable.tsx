'use client';

import type { TableColumnType } from 'antd';
import { Table } from 'antd';
import type { Key, ReactNode } from 'react';
import { namedCell } from './namedCell';
import './tables.css';

/** A column of a {@link PlainTable}. */
export interface PlainColumn<Row> {
  readonly key: string;
  readonly title: ReactNode;
  /** Figures stand right-aligned, with figures of one width. */
  readonly figure?: boolean;
  readonly className?: string;
  readonly width?: number | string;
  readonly cell: (row: Row, index: number) => ReactNode;
}

/** What stands in a row of sums, under its columns, by their keys. */
export type PlainTotals = Readonly<Record<string, ReactNode>>;

/** A row, or the head of a group of them. */
type Shown<Row> =
  | { readonly kind: 'row'; readonly row: Row; readonly index: number }
  | { readonly kind: 'group'; readonly name: string };

/** Rows under the names of their groups, groups and rows each in the order they first come in. */
function grouped<Row>(rows: readonly Row[], groupOf: ((row: Row) => string) | undefined): Shown<Row>[] {
  const shown = rows.map((row, index): Shown<Row> => ({ kind: 'row', row, index }));
  if (!groupOf) return shown;
  const groups = new Map<string, Shown<Row>[]>();
  shown.forEach((each, index) => {
    const name = groupOf(rows[index]!);
    groups.set(name, [...(groups.get(name) ?? []), each]);
  });
  return [...groups].flatMap(([name, within]) => [{ kind: 'group', name } as const, ...within]);
}

/** A column as the table of Ant Design has it; the head of a group takes the whole width. */
const tableColumn = <Row,>(
  { key, title, figure, className, width, cell }: PlainColumn<Row>,
  at: number,
  count: number,
): TableColumnType<Shown<Row>> => ({
  key,
  title,
  ...(figure ? { align: 'right' as const } : {}),
  className: [figure ? 'amount' : '', className ?? ''].filter(Boolean).join(' '),
  ...(width === undefined ? {} : { width }),
  onCell: (shown) =>
    shown.kind === 'group'
      ? { colSpan: at === 0 ? count : 0 }
      : namedCell(typeof title === 'string' ? title : ''),
  render: (_, shown) => (shown.kind === 'row' ? cell(shown.row, shown.index) : at === 0 ? shown.name : null),
});

/**
 * A table that is read: all its rows at once, without sorting or pages. On a phone each row is a card, each figure beside the
 * name of its column.
 */
export function PlainTable<Row>({
  label,
  columns,
  rows,
  rowKey,
  rowClass,
  groupOf,
  headless = false,
  foot = [],
}: {
  readonly label?: string;
  readonly columns: readonly PlainColumn<Row>[];
  readonly rows: readonly Row[];
  readonly rowKey: (row: Row) => Key;
  readonly rowClass?: (row: Row) => string;
  /** Rows that stand after one another under a heading of their own. */
  readonly groupOf?: (row: Row) => string;
  /** The columns explain themselves. */
  readonly headless?: boolean;
  /** Sums below the rows. */
  readonly foot?: readonly PlainTotals[];
}) {
  return (
    <Table<Shown<Row>>
      className="plain-table"
      size="small"
      {...(label === undefined ? {} : { 'aria-label': label })}
      rowKey={(shown) => (shown.kind === 'row' ? rowKey(shown.row) : `group ${shown.name}`)}
      dataSource={grouped(rows, groupOf)}
      pagination={false}
      showHeader={!headless}
      rowClassName={(shown) => (shown.kind === 'group' ? 'plain-group' : (rowClass?.(shown.row) ?? ''))}
      columns={columns.map((column, at) => tableColumn(column, at, columns.length))}
      {...(foot.length === 0
        ? {}
        : {
            summary: () =>
              foot.map((totals, i) => (
                <Table.Summary.Row key={i} className="plain-total">
                  {columns.map(({ key, title, figure }, at) => (
                    <Table.Summary.Cell
                      key={key}
                      index={at}
                      className={figure ? 'amount' : ''}
                      {...(figure ? { align: 'right' as const } : {})}
                    >
                      {figure && typeof title === 'string' && totals[key] !== undefined && (
                        <span className="cell-title" aria-hidden="true">
                          {title}
                        </span>
                      )}
                      {totals[key]}
                    </Table.Summary.Cell>
                  ))}
                </Table.Summary.Row>
              )),
          })}
    />
  );
}
