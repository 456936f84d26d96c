'use client';

import type { AgreedForChange } from '@/core/agreements';
import type { DragEndEvent } from '@dnd-kit/core';
import { DndContext, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { placeDropped } from '@/core/editing';
import type { Reveal } from '../context';
import { useEditor, useEditorActions } from '../context';
import { BundleLibraryDialog } from './BundleLibraryDialog';
import { leastWidth, widerFor } from './columns';
import type { SheetRow } from './rows';
import { RowView } from './RowView';
import { SheetBar } from './SheetBar';
import { SheetHead } from './SheetHead';
import { useOpenedInView, useReveal } from './useReveal';
import { useSheetRows } from './useSheetRows';

const heights: Record<SheetRow['kind'], number> = {
  section: 34,
  space: 150,
  group: 34,
  line: 31,
  details: 260,
  question: 31,
  alternative: 31,
  bundle: 48,
  inputs: 92,
  part: 31,
  hint: 38,
};

/** The room of rows that are not drawn. */
function Gap({ height, across }: { readonly height: number; readonly across: number }) {
  return height <= 0 ? null : (
    <tbody aria-hidden="true">
      <tr>
        <td colSpan={6 + across} style={{ height, padding: 0, border: 0 }} />
      </tr>
    </tbody>
  );
}

/** The rows that are drawn: those in view, and the one that is typed in, wherever it is scrolled to. */
function useRowsInView(
  rows: readonly SheetRow[],
  focusedAt: number | undefined,
  scroll: React.RefObject<HTMLDivElement | null>,
) {
  // What it returns changes with every scroll; nothing here is remembered by it.
  // eslint-disable-next-line react-hooks/incompatible-library
  return useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) => heights[rows[i]!.kind],
    getItemKey: (i) => rows[i]!.key,
    overscan: 14,
    scrollPaddingStart: 34,
    scrollPaddingEnd: 12,
    initialRect: { width: 760, height: 760 },
    rangeExtractor: (range) => {
      const shown = defaultRangeExtractor(range);
      if (focusedAt === undefined || shown.includes(focusedAt)) return shown;
      return [...shown, focusedAt].sort((a, b) => a - b);
    },
  });
}

interface SheetProps {
  readonly revealed: Reveal | null;
  readonly setSelected: (selected: ReadonlySet<string>) => void;
  readonly measure: () => void;
  /** Of a change order: the lines of its agreement. */
  readonly agreed: readonly AgreedForChange[] | null;
}

/** The lines of all sections, edited in place. Only the rows in view are drawn, and the one that is typed in. */
export function Sheet({ revealed, setSelected, measure, agreed }: SheetProps) {
  const { work, figures, bundles, view, selected } = useEditor();
  const { columns, compact } = useEditorActions();
  const across = columns.length;
  const wider = useMemo(() => widerFor(figures), [figures]);
  /** The bundle whose copy is compared with the library's. */
  const [compared, setCompared] = useState<string | null>(null);
  const [focused, setFocused] = useState<string | null>(null);
  const scroll = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const { rows, sections, groups, places, entryIds } = useSheetRows(focused);
  const virtual = useRowsInView(rows, focused === null ? undefined : places.get(focused), scroll);
  useReveal(revealed, places, scroll, virtual.scrollToIndex);
  useOpenedInView(view.opened, places, scroll, virtual.scrollToIndex);

  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id)
      work.edit((draft) => placeDropped(draft, String(active.id), String(over.id)));
  };

  const items = virtual.getVirtualItems();
  const comparedFigures = compared === null ? undefined : bundles.get(compared);
  return (
    <>
      <SheetBar selected={selected} setSelected={setSelected} measure={measure} agreed={agreed} />
      <div className="bench-scroll" ref={scroll}>
        <DndContext id="sheet" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={entryIds} strategy={verticalListSortingStrategy}>
            <table
              className={compact ? 'sheet sheet-low' : 'sheet'}
              style={{ minWidth: leastWidth(columns, wider) }}
              aria-rowcount={rows.length}
              onBlur={(event) => {
                if (!event.currentTarget.contains(event.relatedTarget)) setFocused(null);
              }}
              onFocus={(event) =>
                setFocused((event.target as HTMLElement).closest('tbody')?.getAttribute('data-key') ?? null)
              }
            >
              <thead>
                <SheetHead columns={columns} wider={wider} />
              </thead>
              {/* One flat list: a row keeps what it is by its key, wherever in the list it comes to stand. */}
              {items.flatMap((item, i) => {
                const row = rows[item.index]!;
                const key = item.key as string;
                return [
                  <Gap key={`gap ${key}`} height={item.start - (items[i - 1]?.end ?? 0)} across={across} />,
                  <tbody key={key} ref={virtual.measureElement} data-index={item.index} data-key={row.key}>
                    <RowView row={row} sections={sections} groups={groups} openLibrary={setCompared} />
                  </tbody>,
                ];
              })}
              <Gap height={virtual.getTotalSize() - (items.at(-1)?.end ?? 0)} across={across} />
            </table>
          </SortableContext>
        </DndContext>
        {rows.length === 0 && view.filter !== null && (
          <p className="empty">Nothing here is like that. Choose “All lines”.</p>
        )}
      </div>
      {comparedFigures && <BundleLibraryDialog figures={comparedFigures} close={() => setCompared(null)} />}
    </>
  );
}
