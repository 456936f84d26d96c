'use client';

import { App, Button, Checkbox, Dropdown, Empty, Input, Popover, Table } from 'antd';
import { useState, useTransition } from 'react';
import type { ListColumn, ListSpec, ListState } from '@/core/lists';
import { PAGE_SIZE, isNarrowed, shownColumns, writeListState } from '@/core/lists';
import { isNothing, parseFixed, showDecimal, writeFixedPlaces, addFixed } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer, ListPreferences } from '@/model';
import { asked } from '../asked';
import { StateMark } from '../StateMark';
import { useWordsInAddress } from '../useWordsInAddress';
import { useListAddress } from './useListAddress';
import { ListFilters } from './ListFilters';
import { ListViews } from './ListViews';
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

const alignsRight = ({ kind }: ListColumn) => kind === 'amount' || kind === 'count';

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
  none,
  note,
}: ListProps<Row> & {
  /** Where the list stands. */
  readonly path: string;
  /** What the search field looks in. */
  readonly find: string;
  /** Cells that show more than their column's text. */
  readonly render?: Readonly<Partial<Record<string, (row: Row) => React.ReactNode>>>;
  /** What to say and to do where there is nothing at all yet. */
  readonly none: React.ReactNode;
  readonly note?: React.ReactNode;
}) {
  const { message } = App.useApp();
  const [waiting, start] = useTransition();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState(preferences.columns);
  const [views, setViews] = useState(preferences.views ?? []);

  const { asked: now, go, addressOf } = useListAddress(spec, state, path, waiting, start);
  const [words, setWords] = useWordsInAddress(state.search, (search) => addressOf({ search }));
  const keep = async (kept: ListPreferences) => {
    const answer = await asked(savePreferences({ list: spec.name, preferences: kept }));
    if (!answer.ok) void message.error(answer.problem.detail);
  };

  const columns = shownColumns(spec, chosen);
  const address = writeListState(spec, { ...state, page: 1 }).toString();
  const ids = rows.filter(({ id }) => picked.includes(id));
  const exportAs = (format: 'csv' | 'xlsx', more = '') =>
    `/api/v1/lists/${spec.name}?format=${format}${address === '' ? '' : `&${address}`}${more}`;
  const anything = count > 0 || isNarrowed(state);

  return (
    <>
      <div className="list-tools" role="search">
        <Input
          className="list-find"
          placeholder={find}
          aria-label={`Find in ${spec.name}`}
          allowClear
          value={words}
          onChange={({ target }) => setWords(target.value)}
        />
        <span className="list-acts">
          <ListViews
            path={path}
            address={address}
            views={views}
            save={(next) => {
              setViews(next);
              void keep({ views: next });
            }}
          />
          <Popover
            trigger="click"
            placement="bottomRight"
            content={
              <Checkbox.Group
                className="list-columns"
                value={columns.map(({ key }) => key)}
                options={spec.columns.map(({ key, title }) => ({ value: key, label: title }))}
                onChange={(keys) => {
                  if (keys.length === 0) return;
                  setChosen(keys);
                  void keep({ columns: keys });
                }}
              />
            }
          >
            <Button>Columns</Button>
          </Popover>
          <Dropdown
            trigger={['click']}
            menu={{
              items: (['csv', 'xlsx'] as const).map((format) => ({
                key: format,
                label: (
                  <a href={exportAs(format)} download>
                    {format.toUpperCase()}, {count} {count === 1 ? 'row' : 'rows'}
                  </a>
                ),
              })),
            }}
          >
            <Button disabled={count === 0}>Export</Button>
          </Dropdown>
        </span>
      </div>
      {spec.filters.length > 0 && (
        <div className="list-tools" role="group" aria-label="Filters">
          <ListFilters spec={spec} state={now} go={go} />
          {isNarrowed(now) && (
            <Button type="link" onClick={() => go({ search: '', filters: {} })}>
              Clear filters
            </Button>
          )}
        </div>
      )}
      {note}
      {ids.length > 0 && (
        <p className="list-picked" role="status">
          <span>
            {ids.length} selected
            {spec.columns
              .filter(({ total }) => total)
              .map(({ key, title }) => (
                <span key={key}>
                  {' '}
                  · {title} {showDecimal(sumOf(ids, key))}
                </span>
              ))}
          </span>
          <a
            className="link-in-text"
            download
            href={exportAs('csv', `&ids=${ids.map(({ id }) => id).join(',')}`)}
          >
            Export selected
          </a>
          <Button type="link" size="small" onClick={() => setPicked([])}>
            Select none
          </Button>
        </p>
      )}
      {!anything ? (
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
            columns={columns.map((column) => ({
              key: column.key,
              title: column.title,
              ...(alignsRight(column)
                ? { align: 'right' as const, className: 'amount' }
                : column.kind === 'date'
                  ? { className: 'list-day' }
                  : {}),
              ...(column.unsorted
                ? {}
                : {
                    sorter: true,
                    sortOrder:
                      state.sort.by === column.key
                        ? state.sort.down
                          ? ('descend' as const)
                          : ('ascend' as const)
                        : null,
                  }),
              render: (_: unknown, row: Row) =>
                render[column.key]?.(row) ?? plain(column, row[column.key as keyof Row]),
            }))}
            onChange={({ current = 1 }, __, sorter) => {
              const by = Array.isArray(sorter) ? sorter[0] : sorter;
              const sort = by?.order ? { by: String(by.columnKey), down: by.order === 'descend' } : spec.sort;
              const same = sort.by === state.sort.by && sort.down === state.sort.down;
              go(same ? { page: current } : { sort });
            }}
            pagination={{
              current: state.page,
              pageSize: PAGE_SIZE,
              total: count,
              showSizeChanger: false,
              hideOnSinglePage: false,
              showTotal: (all, [from, to]) => (all === 0 ? 'none' : `${from} to ${to} of ${all}`),
            }}
            summary={() =>
              columns.some(({ total }) => total) && count > 0 ? (
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
              ) : null
            }
          />
        </div>
      )}
    </>
  );
}

/** The sum of a column of rows, with as many decimals as the first has. */
function sumOf<Row>(rows: readonly Row[], key: string): string {
  const texts = rows.map((row) => String(row[key as keyof Row] ?? '0'));
  const places = texts[0]?.split('.')[1]?.length ?? 0;
  return writeFixedPlaces(addFixed(texts.map(parseFixed)), places);
}
