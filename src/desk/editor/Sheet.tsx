'use client';

import type { DragEndEvent } from '@dnd-kit/core';
import { DndContext, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Fragment } from 'react';
import { moveEntryTo, removePart, setSection } from '@/core/editing';
import { showAmount } from '@/core/number';
import { Cell } from './Cell';
import { LineRow } from './LineRow';
import { QuestionRows } from './QuestionRows';
import { useEditor } from './context';

/** The lines of all sections, edited in place. */
export function Sheet() {
  const { work, figures, lines, readOnly, target, setTarget } = useEditor();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const sections = work.document.sections;

  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const to = sections.find((section) => section.entries.some(({ id }) => id === over.id));
    if (!to) return;
    const ids = to.entries.map(({ id }) => id);
    const from = ids.indexOf(String(active.id));
    const at = ids.indexOf(String(over.id));
    // Dragged downward within a section it goes behind the row it is dropped on, else before it.
    const before = from >= 0 && from < at ? (ids[at + 1] ?? null) : String(over.id);
    work.edit((draft) => moveEntryTo(draft, String(active.id), to.id, before));
  };

  return (
    <DndContext id="sheet" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
      <table className="sheet">
        <thead>
          <tr>
            <th className="row-grip">
              <span className="visually-hidden">Move</span>
            </th>
            <th>Description</th>
            <th className="amount col-quantity">Quantity</th>
            <th className="col-unit">Unit</th>
            <th className="amount col-money">Cost</th>
            <th className="amount col-money">Price</th>
            <th className="amount col-amount">Amount</th>
            <th className="row-more">
              <span className="visually-hidden">More</span>
            </th>
          </tr>
        </thead>
        {sections.map((section, i) => {
          const current = target.kind === 'section' && target.sectionId === section.id;
          return (
            <tbody key={section.id} data-section={section.id}>
              <tr
                className={`row-section ${current ? 'row-section-current' : ''}`}
                data-row={section.id}
                onFocus={() => setTarget({ kind: 'section', sectionId: section.id })}
              >
                <td />
                <td colSpan={5}>
                  <Cell
                    name="description"
                    label="Section"
                    shown={section.title}
                    readOnly={readOnly}
                    {...(section.entries.length === 0
                      ? { onEnter: () => document.getElementById('add-line')?.focus() }
                      : {})}
                    commit={(text) => work.edit((draft) => setSection(draft, section.id, { title: text }))}
                  />
                </td>
                <td className="amount row-amount">
                  {showAmount(figures.sections[i]!.net, figures.minorDigits)}
                </td>
                <td className="row-more">
                  {!readOnly && section.entries.length === 0 && (
                    <button
                      type="button"
                      className="grip"
                      aria-label={`Remove section ${section.title}`}
                      onClick={() => work.edit((draft) => removePart(draft, section.id))}
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
              <SortableContext
                items={section.entries.map(({ id }) => id)}
                strategy={verticalListSortingStrategy}
              >
                {section.entries.map((entry) => (
                  <Fragment key={entry.id}>
                    {entry.kind === 'line' ? (
                      <LineRow line={entry} figures={lines.get(entry.id)!} />
                    ) : (
                      <QuestionRows question={entry} />
                    )}
                  </Fragment>
                ))}
              </SortableContext>
              {section.entries.length === 0 && (
                <tr>
                  <td />
                  <td colSpan={7} className="soft sheet-hint">
                    No lines yet. Press / and type, for example: 12 joist
                  </td>
                </tr>
              )}
            </tbody>
          );
        })}
      </table>
    </DndContext>
  );
}
