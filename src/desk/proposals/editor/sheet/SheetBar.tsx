'use client';

import { Button, Checkbox, Popover, Select, Segmented, Input } from 'antd';
import { useMemo, useState } from 'react';
import { moveEntries, removeEntries, setGroup } from '@/core/editing';
import type { AgreedForChange } from '@/core/agreements';
import { linesOf } from '@/core/choice';
import { AgreedDialog } from '../change/AgreedDialog';
import { useEditor, useEditorActions } from '../context';
import type { Grouping } from '@/core/insight';
import type { Column } from './columns';
import { optionalColumns, withColumn } from './columns';
import { showKeys } from '../../../keys/showKeys';
import { RefreshCosts } from './RefreshCosts';
import type { Filter } from './rows';
import { filters } from './rows';

/** Which columns stand between unit and amount; remembered for the person, on every proposal. */
function ColumnList() {
  const { columns, chosenColumns, setColumns } = useEditorActions();
  return (
    <div className="column-list" role="group" aria-label="Columns">
      {(Object.keys(optionalColumns) as Column[]).map((column) => (
        <Checkbox
          key={column}
          checked={chosenColumns.includes(column)}
          onChange={() => setColumns(withColumn(chosenColumns, column))}
        >
          {optionalColumns[column]}
          {chosenColumns.includes(column) && !columns.includes(column) && (
            <span className="soft"> no room here</span>
          )}
        </Checkbox>
      ))}
    </div>
  );
}

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
  const { work, view, readOnly } = useEditor();
  const { setView, columns, chosenColumns } = useEditorActions();
  const away = chosenColumns.length - columns.length;
  const [by, setBy] = useState<'room' | 'phase'>('phase');
  const [name, setName] = useState('');
  const [fromAgreement, setFromAgreement] = useState(false);
  const codes = useMemo(
    () =>
      [
        ...new Set(
          work.document.sections.flatMap((section) =>
            [...linesOf(section)].flatMap(({ costCode }) => (costCode ? [costCode] : [])),
          ),
        ),
      ].sort(),
    [work.document],
  );
  const plans = work.document.plans?.length ?? 0;
  const ids = [...selected];
  const act = (change: Parameters<typeof work.edit>[0]) => {
    work.edit(change);
    setSelected(new Set());
  };
  if (selected.size > 0 && !readOnly)
    return (
      <div className="sheet-bar sheet-bar-selected" role="toolbar" aria-label="Selected lines">
        <strong>{selected.size} selected</strong>
        <Select
          size="small"
          aria-label="Move to section"
          placeholder="Move to …"
          className="wide-choice"
          value={null}
          options={work.document.sections.map(({ id, title }) => ({ value: id, label: title }))}
          onChange={(sectionId: string | null) => {
            if (sectionId !== null) act((draft) => moveEntries(draft, ids, sectionId));
          }}
        />
        <form
          className="bar-group"
          onSubmit={(event) => {
            event.preventDefault();
            act((draft) => setGroup(draft, ids, by, name));
            setName('');
          }}
        >
          <Select
            size="small"
            aria-label="What they belong to"
            value={by}
            options={[
              { value: 'phase', label: 'Phase' },
              { value: 'room', label: 'Room' },
            ]}
            onChange={setBy}
          />
          <Input
            size="small"
            className="bar-field"
            aria-label={by === 'phase' ? 'Phase of the work' : 'Room'}
            placeholder="its name, then Enter"
            maxLength={60}
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
          <Button size="small" htmlType="submit">
            Set
          </Button>
        </form>
        <Button size="small" onClick={() => act((draft) => removeEntries(draft, ids))}>
          Remove
        </Button>
        <Button size="small" type="text" onClick={() => setSelected(new Set())}>
          Clear
        </Button>
      </div>
    );
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
        ]}
        onChange={(value) =>
          setView((before) => ({
            ...before,
            grouping: value === 'section' ? null : (value as Grouping),
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
          ...Object.entries(filters).map(([value, label]) => ({ value, label })),
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
      <Button size="small" title="Measure on a plan (Alt P)" onClick={measure}>
        Plans{plans > 0 ? ` ${plans}` : ''}
      </Button>
      <Button type="text" size="small" className="keys-button" onClick={showKeys}>
        Keys <kbd>?</kbd>
      </Button>
    </div>
  );
}
