import type { ReactNode } from 'react';
import { useEditor, useEditorActions } from '../context';
import type { Column, Wider } from './columns';
import { amountWidth, optionalColumns, widthOf } from './columns';
import type { SortBy } from './order';
import { orderedBy } from './order';

/** A heading; over one list without sections a press sorts by it: up, down, as it stands. */
function Heading({
  by,
  figure = false,
  className = '',
  width,
  children,
}: {
  readonly by: SortBy;
  readonly figure?: boolean;
  readonly className?: string;
  readonly width?: number;
  readonly children: ReactNode;
}) {
  const { work, lines, bundles, view } = useEditor();
  const { setView } = useEditorActions();
  const { order } = view;
  const mine = order?.by === by ? order : null;
  const sort = () => {
    const next =
      mine === null
        ? orderedBy(work.document, { lines, bundles }, by, false)
        : mine.descending
          ? null
          : orderedBy(work.document, { lines, bundles }, by, true);
    setView((before) => ({ ...before, order: next }));
  };
  const classes = [figure && 'amount', className].filter(Boolean).join(' ');
  return (
    <th
      className={classes}
      style={width === undefined ? undefined : { width }}
      aria-sort={mine ? (mine.descending ? 'descending' : 'ascending') : undefined}
    >
      {view.grouping === 'list' ? (
        <button
          type="button"
          className="head-sort"
          title={mine?.descending ? 'As they stand' : mine ? 'Sort down' : 'Sort up'}
          onClick={sort}
        >
          {children}
          {mine && <span aria-hidden="true"> {mine.descending ? '▾' : '▴'}</span>}
        </button>
      ) : (
        children
      )}
    </th>
  );
}

const figures: readonly Column[] = ['cost', 'price', 'hours', 'margin'];

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
      <Heading by="description">Description</Heading>
      <Heading by="quantity" figure className="col-quantity">
        Quantity
      </Heading>
      <Heading by="unit" className="col-unit">
        Unit
      </Heading>
      {columns.map((column) => (
        <Heading key={column} by={column} figure={figures.includes(column)} width={widthOf(column, wider)}>
          {optionalColumns[column]}
        </Heading>
      ))}
      <Heading by="amount" figure className="col-amount" width={amountWidth(wider)}>
        Amount
      </Heading>
      <th className="row-more">
        <span className="visually-hidden">More</span>
      </th>
    </tr>
  );
}
