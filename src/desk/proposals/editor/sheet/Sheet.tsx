'use client';

import type { AgreedForChange } from '@/core/agreements';
import type { DragEndEvent } from '@dnd-kit/core';
import { DndContext, PointerSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import type { ReactNode } from 'react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { moveEntryTo } from '@/core/editing';
import type { SectionFigures } from '@/core/price';
import { groupFigures } from '@/core/insight';
import { ZERO, showAmount } from '@/core/number';
import type { Reveal } from '../context';
import { useEditor, useEditorActions } from '../context';
import { BundleLibraryDialog } from './BundleLibraryDialog';
import { BundleRow } from './BundleRow';
import { InputsRow } from './InputsRow';
import { LineDetails } from './LineDetails';
import { LineRow } from './LineRow';
import { PartRow } from './PartRow';
import { AlternativeRow, QuestionRow } from './QuestionRow';
import type { SheetRow } from './rows';
import { sheetRows } from './rows';
import { SectionRow } from './SectionRow';
import type { Column } from './columns';
import type { Wider } from './columns';
import { amountWidth, leastWidth, optionalColumns, widerFor, widthOf } from './columns';
import { SheetBar } from './SheetBar';
import { SpaceRow } from './SpaceRow';

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

/** How many frames a row is waited for. */
const FRAMES = 40;

/** The head of the sheet, with the columns a person chose. */
function Head({ columns, wider }: { readonly columns: readonly Column[]; readonly wider: Wider }) {
  return (
    <tr>
      <th className="row-grip">
        <span className="visually-hidden">Move</span>
      </th>
      <th>Description</th>
      <th className="amount col-quantity">Quantity</th>
      <th className="col-unit">Unit</th>
      {columns.map((column) => (
        <th
          key={column}
          style={{ width: widthOf(column, wider) }}
          className={['cost', 'price', 'hours', 'margin'].includes(column) ? 'amount' : ''}
        >
          {optionalColumns[column]}
        </th>
      ))}
      <th className="amount col-amount" style={{ width: amountWidth(wider) }}>
        Amount
      </th>
      <th className="row-more">
        <span className="visually-hidden">More</span>
      </th>
    </tr>
  );
}

/** The lines of all sections, edited in place. Only the rows in view are drawn, and the one that is typed in. */
export function Sheet({
  revealed,
  setSelected,
  measure,
  agreed,
}: {
  readonly revealed: Reveal | null;
  readonly setSelected: (selected: ReadonlySet<string>) => void;
  readonly measure: () => void;
  /** Of a change order: the lines of its agreement. */
  readonly agreed: readonly AgreedForChange[] | null;
}) {
  const { work, figures, lines, bundles, view, selected } = useEditor();
  const wider = useMemo(() => widerFor(figures), [figures]);
  const { toggle, columns } = useEditorActions();
  const across = columns.length;
  const [library, setLibrary] = useState<string | null>(null);
  const [focused, setFocused] = useState<string | null>(null);
  const scroll = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const { document: proposal } = work;

  const troubles = useMemo(
    () => new Set([...lines.values()].filter(({ trouble }) => trouble !== null).map(({ line }) => line.id)),
    [lines],
  );
  const rows = useMemo(
    () => sheetRows({ document: proposal, bundles, troubles, view, typedIn: focused }),
    [proposal, bundles, troubles, view, focused],
  );
  const sections = useMemo(
    () => new Map(figures.sections.map((section): [string, SectionFigures] => [section.section.id, section])),
    [figures],
  );
  const groups = useMemo(
    () =>
      view.grouping === null
        ? null
        : new Map(groupFigures(figures, view.grouping).map(({ name, net }) => [name, net])),
    [figures, view.grouping],
  );
  const keys = useMemo(() => new Map(rows.map(({ key }, i) => [key, i])), [rows]);
  const entryIds = useMemo(
    () =>
      rows.flatMap((row) =>
        row.kind === 'line' && !row.inner
          ? [row.line.id]
          : row.kind === 'question' || row.kind === 'bundle'
            ? [row.key]
            : [],
      ),
    [rows],
  );

  const focusedAt = focused === null ? undefined : keys.get(focused);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: (i) => heights[rows[i]!.kind],
    getItemKey: (i) => rows[i]!.key,
    overscan: 14,
    scrollPaddingStart: 34,
    scrollPaddingEnd: 12,
    initialRect: { width: 760, height: 760 },
    // What is typed in stays, wherever it is scrolled to.
    rangeExtractor: (range) => {
      const shown = defaultRangeExtractor(range);
      if (focusedAt === undefined || shown.includes(focusedAt)) return shown;
      return [...shown, focusedAt].sort((a, b) => a - b);
    },
  });

  useEffect(() => {
    if (!revealed) return;
    const at = keys.get(revealed.key);
    if (at === undefined) return;
    virtual.scrollToIndex(at, { align: revealed.align ?? 'auto' });
    const { cell } = revealed;
    if (cell === undefined) return;
    // Far down the sheet a row is drawn only some frames after it was scrolled to.
    let left = FRAMES;
    let frame = requestAnimationFrame(function look() {
      if (revealed.mayFocus?.() === false) return;
      if (goTo(scroll.current, revealed, cell) || (left -= 1) === 0) return;
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
    // A reveal is answered once, when it is asked for: later changes of the rows do not scroll.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [revealed]);

  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const to = proposal.sections.find((section) => section.entries.some(({ id }) => id === over.id));
    if (!to) return;
    const ids = to.entries.map(({ id }) => id);
    const from = ids.indexOf(String(active.id));
    const at = ids.indexOf(String(over.id));
    // Dragged downward within a section it goes behind the row it is dropped on, else before it.
    const before = from >= 0 && from < at ? (ids[at + 1] ?? null) : String(over.id);
    work.edit((draft) => moveEntryTo(draft, String(active.id), to.id, before));
  };

  const draw = (row: SheetRow): ReactNode => {
    switch (row.kind) {
      case 'section':
        return <SectionRow figures={sections.get(row.section.id)!} />;
      case 'space':
        return <SpaceRow figures={sections.get(row.section.id)!} />;
      case 'group':
        return (
          <tr className="row-section">
            <td />
            <td colSpan={3 + across} className="row-group">
              {row.name === '' ? 'Nothing named' : row.name}
            </td>
            <td className="amount row-amount">
              {showAmount(groups?.get(row.name) ?? ZERO, figures.minorDigits)}
            </td>
            <td />
          </tr>
        );
      case 'line':
        return (
          <LineRow
            line={row.line}
            figures={lines.get(row.line.id)!}
            sectionId={row.sectionId}
            inner={row.inner}
            selected={selected.has(row.line.id)}
          />
        );
      case 'details':
        return (
          <tr className="row-details">
            <td />
            <td colSpan={5 + across}>
              <LineDetails line={row.line} close={() => toggle(row.line.id)} />
            </td>
          </tr>
        );
      case 'question':
        return <QuestionRow question={row.question} />;
      case 'alternative':
        return <AlternativeRow question={row.question} alternative={row.alternative} />;
      case 'bundle':
        return (
          <BundleRow
            figures={bundles.get(row.bundle.id)!}
            sectionId={row.sectionId}
            open={view.opened.has(row.bundle.id)}
            selected={selected.has(row.bundle.id)}
            openLibrary={() => setLibrary(row.bundle.id)}
          />
        );
      case 'inputs':
        return <InputsRow figures={bundles.get(row.bundle.id)!} />;
      case 'part': {
        const of = bundles.get(row.bundle.id)!;
        const part = of.sized.parts[row.index]!;
        const id = part.line?.id;
        return (
          <PartRow
            part={part}
            figures={of.lines.find(({ line }) => line.id === id) ?? null}
            bundleId={row.bundle.id}
          />
        );
      }
      case 'hint':
        return (
          <tr>
            <td />
            <td colSpan={5 + across} className="soft sheet-hint">
              No lines yet. Press / and type, for example: 12 joist
            </td>
          </tr>
        );
    }
  };

  const items = virtual.getVirtualItems();
  const gap = (height: number) =>
    height > 0 && (
      <tbody aria-hidden="true">
        <tr>
          <td colSpan={6 + across} style={{ height, padding: 0, border: 0 }} />
        </tr>
      </tbody>
    );
  const gaps = items.map((item, i) => item.start - (items[i - 1]?.end ?? 0));
  const library_ = library === null ? undefined : bundles.get(library);

  return (
    <>
      <SheetBar selected={selected} setSelected={setSelected} measure={measure} agreed={agreed} />
      <div className="bench-scroll" ref={scroll}>
        <DndContext id="sheet" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={entryIds} strategy={verticalListSortingStrategy}>
            <table
              className="sheet"
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
                <Head columns={columns} wider={wider} />
              </thead>
              {/* One flat list: a row keeps what it is by its key, wherever in the list it comes to stand. */}
              {items.flatMap((item, i) => {
                const row = rows[item.index]!;
                return [
                  gaps[i]! > 0 && <Gap key={`gap ${item.key as string}`}>{gap(gaps[i]!)}</Gap>,
                  <tbody
                    key={item.key as string}
                    ref={virtual.measureElement}
                    data-index={item.index}
                    data-key={row.key}
                  >
                    {draw(row)}
                  </tbody>,
                ];
              })}
              {gap(virtual.getTotalSize() - (items.at(-1)?.end ?? 0))}
            </table>
          </SortableContext>
        </DndContext>
        {rows.length === 0 && view.filter !== null && (
          <p className="empty">Nothing here is like that. Choose “All lines”.</p>
        )}
      </div>
      {library_ && <BundleLibraryDialog figures={library_} close={() => setLibrary(null)} />}
    </>
  );
}

/** Goes to a cell of a row that has been drawn; the last there are, where it asks for one past them. */
function goTo(within: HTMLElement | null, { key, focusIn = key, nth = 0 }: Reveal, cell: string): boolean {
  const cells = within?.querySelectorAll<HTMLElement>(`[data-row="${focusIn}"] [data-cell="${cell}"]`) ?? [];
  const found = cells[nth] ?? cells[cells.length - 1];
  found?.focus();
  return found !== undefined;
}

/** The room of rows that are not drawn. */
function Gap({ children }: { children: ReactNode }) {
  return children;
}
