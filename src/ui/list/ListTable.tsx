'use client';

import type { TableColumnType } from 'antd';
import { App, Empty, Table } from 'antd';
import { useState } from 'react';
import type { ListColumn, ListSpec, ListState, Sort } from '@/core/lists';
import { PAGE_SIZE, isNarrowed, shownColumns, writeListState } from '@/core/lists';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer, ListPreferences } from '@/model';
import { asked } from '../asked';
import { StateMark } from '../StateMark';
import { ListTools } from './ListTools';
import { PickedRows } from './PickedRows';
import { useListAddress } from './useListAddress';
import { namedCell } from '../tables/namedCell';
import '../tables/tables.css';
import './list.css';

type SaveListPreferences = (input: { list: string; preferences: ListPreferences }) => Promise<Answer<void>>;

interface Identified {
  readonly id: string;
}

/** What a list is shown with: what was asked, and what came of it. */
export interface ListProps<Row extends Identified> {
  readonly list: {
    readonly spec: ListSpec;
    readonly state: ListState;
    readonly rows: readonly Row[];
    readonly count: number;
    readonly totals: Readonly<Record<string, string>>;
    readonly preferences: ListPreferences;
  };
  readonly savePreferences: SaveListPreferences;
}

const plain = (column: ListColumn, value: unknown): React.ReactNode => {
  if (value === null || value === undefined || value === '') return '';
  const text = String(value);
  switch (column.kind) {
    case 'amount':
      return isNothing(text) ? '' : showDecimal(text);
    case 'date':
      return showShortDate(text);
    case 'state':
      return <StateMark state={text} />;
    default:
      return text;
  }
};

/** A column as the table of Ant Design has it. */
const tableColumn = <Row,>(
  column: ListColumn,
  sort: Sort,
  render: ((row: Row) => React.ReactNode) | undefined,
): TableColumnType<Row> => ({
  key: column.key,
  title: column.title,
  ...(alignsRight(column)
    ? { align: 'right', className: 'amount' }
    : column.kind === 'date'
      ? { className: 'list-day' }
      : {}),
  ...(column.unsorted
    ? {}
    : { sorter: true, sortOrder: sort.by !== column.key ? null : sort.down ? 'descend' : 'ascend' }),
  onCell: () => namedCell(column.title),
  render: (_: unknown, row: Row) => render?.(row) ?? plain(column, row[column.key as keyof Row]),
});

const alignsRight = ({ kind }: ListColumn) => kind === 'amount' || kind === 'count';

/** Sums over all that is filtered, under their columns. */
const Totals = ({
  columns,
  count,
  totals,
}: {
  readonly columns: readonly ListColumn[];
  readonly count: number;
  readonly totals: Readonly<Record<string, string>>;
}) =>
  count > 0 && columns.some(({ total }) => total) ? (
    <Table.Summary.Row className="list-total">
      <Table.Summary.Cell index={0} />
      {columns.map((column, i) => (
        <Table.Summary.Cell
          key={column.key}
          index={i + 1}
          {...(alignsRight(column) ? { align: 'right' as const } : {})}
        >
          {column.total ? showDecimal(totals[column.key] ?? '0') : i === 0 ? `All ${count}` : ''}
        </Table.Summary.Cell>
      ))}
    </Table.Summary.Row>
  ) : null;

/**
 * A list of the desk: searched, filtered, sorted and paged by the server, all of it in the address of the page; a row of
 * totals over all that is filtered; columns and views kept for the person; exported as it is filtered.
 */
export function ListTable<Row extends Identified>({
  list: { spec, state, rows, count, totals, preferences },
  savePreferences,
  path,
  find,
  render = {},
  acts,
  none,
  note,
}: ListProps<Row> & {
  /** Where the list stands. */
  readonly path: string;
  /** What the search field looks in. */
  readonly find: string;
  /** Cells that show more than their column's text. */
  readonly render?: Readonly<Partial<Record<string, (row: Row) => React.ReactNode>>>;
  /** What can be done with the rows that are selected; `done` takes the selection back. */
  readonly acts?: (rows: readonly Row[], done: () => void) => React.ReactNode;
  /** What to say and to do where there is nothing at all yet. */
  readonly none: React.ReactNode;
  readonly note?: React.ReactNode;
}) {
  const { message } = App.useApp();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [liked, setLiked] = useState(preferences);
  const { asked: now, waiting, go, type } = useListAddress(spec, state, path);
  const keep = (kept: ListPreferences) => {
    setLiked((before) => ({ ...before, ...kept }));
    void asked(savePreferences({ list: spec.name, preferences: kept })).then((answer) => {
      if (!answer.ok) void message.error(answer.problem.detail);
    });
  };

  const columns = shownColumns(spec, liked.columns);
  const address = writeListState(spec, { ...state, page: 1 }).toString();
  const rowsPicked = rows.filter(({ id }) => picked.includes(id));
  const file = (format: 'csv' | 'xlsx') =>
    `/api/v1/lists/${spec.name}?format=${format}${address === '' ? '' : `&${address}`}`;
  return (
    <>
      <ListTools
        {...{ spec, asked: now, find, path, address, columns, count, file, go, type, keep }}
        views={liked.views ?? []}
      />
      {note}
      {rowsPicked.length > 0 && (
        <PickedRows spec={spec} rows={rowsPicked} file={file('csv')} clear={() => setPicked([])}>
          {acts?.(rowsPicked, () => setPicked([]))}
        </PickedRows>
      )}
      {count === 0 && !isNarrowed(state) ? (
        <Empty image={Empty.PRESENTED_IMAGE_SIMPLE} description={none} />
      ) : (
        <div className="list-frame">
          <Table<Row>
            className="list-table"
            size="small"
            rowKey="id"
            loading={waiting && { delay: 300 }}
            dataSource={[...rows]}
            locale={{ emptyText: 'No match. Try fewer words, or clear a filter.' }}
            rowSelection={{
              selectedRowKeys: [...picked],
              preserveSelectedRowKeys: false,
              onChange: (keys) => setPicked(keys.map(String)),
            }}
            columns={columns.map((column) => tableColumn(column, now.sort, render[column.key]))}
            onChange={({ current = 1 }, __, sorter) => {
              const by = Array.isArray(sorter) ? sorter[0] : sorter;
              const sort = by?.order ? { by: String(by.columnKey), down: by.order === 'descend' } : spec.sort;
              const same = sort.by === now.sort.by && sort.down === now.sort.down;
              go(same ? { page: current } : { sort });
            }}
            pagination={{
              current: now.page,
              pageSize: PAGE_SIZE,
              total: count,
              showSizeChanger: false,
              hideOnSinglePage: false,
              showTotal: (all, [from, to]) => (all === 0 ? 'none' : `${from} to ${to} of ${all}`),
            }}
            summary={() => <Totals columns={columns} count={count} totals={totals} />}
          />
        </div>
      )}
    </>
  );
}
