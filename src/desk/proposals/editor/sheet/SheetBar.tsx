'use client';

import { Button, Checkbox, Popover, Segmented, Select, Tooltip } from 'antd';
import { useMemo, useState } from 'react';
import type { AgreedForChange } from '@/core/agreements';
import { linesOf } from '@/core/choice';
import type { ProposalDocument } from '@/model';
import { AgreedDialog } from '../change/AgreedDialog';
import { useEditor, useEditorActions } from '../context';
import type { Grouping } from '@/core/insight';
import type { Column } from './columns';
import { optionalColumns, withoutCostColumns } from './columns';
import { showKeys } from '../../../keys/showKeys';
import { RoomsDrawer } from './RoomsDrawer';
import { RefreshCosts } from './RefreshCosts';
import { SelectedBar } from './SelectedBar';
import type { Filter } from './rows';
import { filters } from './rows';

/** Which columns stand between unit and amount; remembered for the person, on every proposal. */
function ColumnList() {
  const { seesCost, columns, chosenColumns, toggleColumn, compact, setCompact } = useEditorActions();
  const all = Object.keys(optionalColumns) as Column[];
  return (
    <div className="column-list" role="group" aria-label="Columns">
      {(seesCost ? all : withoutCostColumns(all)).map((column) => (
        <Checkbox key={column} checked={chosenColumns.includes(column)} onChange={() => toggleColumn(column)}>
          {optionalColumns[column]}
          {chosenColumns.includes(column) && !columns.includes(column) && (
            <span className="soft"> no room here</span>
          )}
        </Checkbox>
      ))}
      <Checkbox className="column-density" checked={compact} onChange={() => setCompact(!compact)}>
        Low rows
      </Checkbox>
    </div>
  );
}

/** The cost codes of a proposal's lines, each once, in their order. */
const costCodesIn = ({ sections }: ProposalDocument): string[] =>
  [
    ...new Set(
      sections.flatMap((section) =>
        [...linesOf(section)].flatMap(({ costCode }) => (costCode ? [costCode] : [])),
      ),
    ),
  ].sort();

/** What is shown of the sheet and how it is gathered; with rows selected, what can be done with them. */
export function SheetBar({
  selected,
  setSelected,
  measure,
  agreed,
}: {
  readonly selected: ReadonlySet<string>;
  readonly setSelected: (selected: ReadonlySet<string>) => void;
  /** Goes to the plans. */
  readonly measure: () => void;
  readonly agreed: readonly AgreedForChange[] | null;
}) {
  const { work, view, figures, readOnly } = useEditor();
  const { setView, seesCost, columns, chosenColumns } = useEditorActions();
  const away = (seesCost ? chosenColumns : withoutCostColumns(chosenColumns)).length - columns.length;
  const [fromAgreement, setFromAgreement] = useState(false);
  const [rooms, setRooms] = useState(false);
  const codes = useMemo(() => costCodesIn(work.document), [work.document]);
  const plans = work.document.plans?.length ?? 0;
  if (selected.size > 0 && !readOnly) return <SelectedBar selected={selected} setSelected={setSelected} />;
  return (
    <div className="sheet-bar">
      <Segmented
        size="small"
        aria-label="Gathered by"
        value={view.grouping ?? 'section'}
        options={[
          { value: 'section', label: 'By section' },
          { value: 'room', label: 'Room' },
          { value: 'phase', label: 'Phase' },
          { value: 'trade', label: 'Trade' },
          { value: 'list', label: 'One list' },
        ]}
        onChange={(value) =>
          setView((before) => ({
            ...before,
            grouping: value === 'section' ? null : (value as Grouping | 'list'),
            order: null,
          }))
        }
      />
      <Select
        size="small"
        aria-label="Lines shown"
        listHeight={440}
        virtual={false}
        className="wide-choice"
        value={view.filter ?? 'all'}
        options={[
          { value: 'all', label: 'All lines' },
          ...Object.entries(filters)
            .filter(([value]) => seesCost || value !== 'costs')
            .map(([value, label]) => ({ value, label })),
          ...codes.map((code) => ({ value: `code:${code}`, label: `Cost code ${code}` })),
        ]}
        onChange={(value: string) =>
          setView((before) => ({ ...before, filter: value === 'all' ? null : (value as Filter) }))
        }
      />
      <Popover trigger="click" placement="bottomRight" content={<ColumnList />}>
        <Button size="small">Columns{away > 0 ? `, ${away} without room` : ''}</Button>
      </Popover>
      <RefreshCosts />
      {agreed && !readOnly && (
        <Button size="small" onClick={() => setFromAgreement(true)}>
          From the agreement
        </Button>
      )}
      {agreed && fromAgreement && <AgreedDialog agreed={agreed} close={() => setFromAgreement(false)} />}
      <Button size="small" onClick={() => setRooms(true)}>
        Rooms{figures.rooms.length > 0 ? ` ${figures.rooms.length}` : ''}
      </Button>
      <RoomsDrawer open={rooms} close={() => setRooms(false)} />
      <Tooltip title="Measure on a plan (Alt P)">
        <Button size="small" onClick={measure}>
          Plans{plans > 0 ? ` ${plans}` : ''}
        </Button>
      </Tooltip>
      <Button type="text" size="small" className="keys-button" onClick={showKeys}>
        Keys <kbd>?</kbd>
      </Button>
    </div>
  );
}
