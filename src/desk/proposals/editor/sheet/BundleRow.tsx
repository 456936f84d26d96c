'use client';

import { CaretDownOutlined, CaretRightOutlined, HolderOutlined, MoreOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import { Dropdown } from 'antd';
import type { KeyboardEvent } from 'react';
import { showValue } from '@/core/bundle';
import { duplicateEntry, moveBy, removePart, setBundle } from '@/core/editing';
import { showAmount } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import { unitName } from '@/model';
import { newPartId, useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';
import { OptionalCells, showHours, showMargin } from './OptionalCells';

interface BundleRowProps {
  readonly figures: BundleFigures;
  readonly sectionId: string;
  readonly open: boolean;
  readonly selected: boolean;
  readonly openLibrary: () => void;
}

/** A bundle as one row: its name, its size in words, what it comes to. Opened, its inputs and parts stand below. */
export function BundleRow({ figures, sectionId, open, selected, openLibrary }: BundleRowProps) {
  const { edit, readOnly, setTarget, minorDigits, toggle, reveal, select } = useEditorActions();
  const { bundle, sized, included } = figures;
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: bundle.id,
    disabled: readOnly,
  });
  const changed = Object.keys(bundle.changes).length + bundle.added.length;
  const [trouble] = sized.troubles;
  const grade = bundle.recipe.grades.find(({ id }) => id === bundle.grade) ?? bundle.recipe.grades[0];
  const size = sized.inputs
    .flatMap(({ value }) => (value?.kind === 'number' ? [showValue(value)] : []))
    .slice(0, 3);

  const act = (key: string) => {
    if (key === 'open') toggle(bundle.id);
    if (key === 'extra')
      edit((draft) => setBundle(draft, bundle.id, { extra: bundle.extra ? null : { in: false } }));
    if (key === 'parts')
      edit((draft) => setBundle(draft, bundle.id, { shows: bundle.shows === 'one' ? 'parts' : 'one' }));
    if (key === 'copy') {
      let copy = '';
      edit((draft) => {
        copy = duplicateEntry(draft, bundle, newPartId, `${bundle.name} (copy)`);
      });
      reveal({ key: copy, cell: 'description' });
    }
    if (key === 'library') openLibrary();
    if (key === 'up' || key === 'down') edit((draft) => moveBy(draft, bundle.id, key === 'up' ? -1 : 1));
    if (key === 'remove') edit((draft) => removePart(draft, bundle.id));
  };

  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (readOnly) return;
    const keys: Record<string, string> = {
      Enter: 'open',
      ArrowUp: 'up',
      ArrowDown: 'down',
      KeyX: 'extra',
      KeyC: 'copy',
    };
    const wanted = event.altKey ? (keys[event.code] ?? keys[event.key]) : undefined;
    const removes = event.ctrlKey && (event.key === 'Delete' || event.key === 'Backspace');
    const selects = event.ctrlKey && event.key === ' ';
    if (!wanted && !removes && !selects) return;
    event.preventDefault();
    event.stopPropagation();
    if (selects) select(bundle.id, event.shiftKey ? 'to' : 'one');
    else if (removes) {
      document.getElementById('add-line')?.focus();
      act('remove');
    } else {
      (document.activeElement as HTMLElement | null)?.blur();
      act(wanted!);
      if (wanted !== 'copy') reveal({ key: bundle.id, cell: 'description' });
    }
  };

  return (
    <tr
      ref={setNodeRef}
      data-row={bundle.id}
      aria-selected={selected || undefined}
      className={`row row-bundle ${selected ? 'row-selected' : ''} ${bundle.extra ? 'row-choice' : ''} ${included ? '' : 'row-out'} ${isDragging ? 'row-dragging' : ''}`}
      style={transform ? { transform: `translateY(${transform.y}px)`, transition: transition } : undefined}
      onKeyDown={onKeyDown}
      onFocus={() => setTarget({ kind: 'section', sectionId, afterId: bundle.id })}
    >
      <td className="row-grip">
        {!readOnly && (
          <button
            type="button"
            className="grip"
            aria-label={`Move ${sized.name}`}
            onClick={(event) => select(bundle.id, event.shiftKey ? 'to' : 'one')}
            {...attributes}
            {...listeners}
            tabIndex={-1}
          >
            <HolderOutlined aria-hidden="true" />
          </button>
        )}
      </td>
      <td colSpan={3}>
        <div className="row-name">
          <button
            type="button"
            className="bundle-toggle"
            aria-expanded={open}
            aria-label={`${open ? 'Close' : 'Open'} ${sized.name}`}
            tabIndex={-1}
            onClick={() => toggle(bundle.id)}
          >
            {open ? <CaretDownOutlined aria-hidden="true" /> : <CaretRightOutlined aria-hidden="true" />}
          </button>
          <Cell
            name="description"
            label="Bundle"
            shown={sized.name}
            typed={bundle.name}
            readOnly={readOnly}
            commit={(text) => edit((draft) => setBundle(draft, bundle.id, { name: text }))}
          />
          {bundle.extra && <span className="choice-tag">extra, {bundle.extra.in ? 'in' : 'out'}</span>}
        </div>
        <span className="row-remark soft">
          {[
            ...size,
            grade?.name,
            `${sized.lines.length} parts`,
            bundle.shows === 'parts' ? 'the customer sees the parts' : '',
          ]
            .filter(Boolean)
            .join(' · ')}
          {changed > 0 && <span className="bundle-changed">{changed} changed on this job</span>}
        </span>
        {trouble && (
          <span className="row-remark wrong">
            {trouble.place}: {trouble.message}
            {sized.troubles.length > 1 && ` And ${sized.troubles.length - 1} more.`}
          </span>
        )}
        {bundle.open && <span className="row-remark wrong">not decided: {bundle.open}</span>}
        {bundle.internalNote && <span className="row-remark soft">for us: {bundle.internalNote}</span>}
      </td>
      <OptionalCells
        cells={{
          code: bundle.code,
          hours: showHours(figures.lines),
          cost: <span className="amount row-cost soft">{showAmount(figures.cost, minorDigits)}</span>,
          price: <span className="amount row-cost soft">{unitName('job')}</span>,
          margin: showMargin(figures.net, figures.cost),
          room: bundle.room,
          phase: bundle.phase,
        }}
      />
      <td className="amount row-amount">{showAmount(figures.net, minorDigits)}</td>
      <td className="row-more">
        {!readOnly && (
          <Dropdown
            trigger={['click']}
            menu={{
              onClick: ({ key }) => act(key),
              items: [
                { key: 'open', label: open ? 'Close' : 'Open inputs and parts', extra: 'Alt ↵' },
                {
                  key: 'parts',
                  label:
                    bundle.shows === 'one' ? 'Show the customer its parts' : 'Show the customer one line',
                },
                {
                  key: 'extra',
                  label: bundle.extra ? 'Not an extra any more' : 'Make it an extra',
                  extra: 'Alt X',
                },
                { key: 'copy', label: 'Copy under another name', extra: 'Alt C' },
                { key: 'library', label: 'Library: refresh, save back …' },
                { key: 'up', label: 'Move up', extra: 'Alt ↑' },
                { key: 'down', label: 'Move down', extra: 'Alt ↓' },
                { key: 'remove', label: 'Remove', extra: 'Ctrl Del', danger: true },
              ],
            }}
          >
            <button type="button" className="grip" aria-label={`More for ${sized.name}`} tabIndex={-1}>
              <MoreOutlined aria-hidden="true" />
            </button>
          </Dropdown>
        )}
      </td>
    </tr>
  );
}
