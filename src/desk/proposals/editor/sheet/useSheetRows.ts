import { useEffect, useMemo } from 'react';
import { groupFigures } from '@/core/insight';
import type { SectionFigures } from '@/core/price';
import { useEditor, useEditorActions } from '../context';
import type { SheetRow } from './rows';
import { sheetRows } from './rows';

/** What can be dragged: lines that stand in no other part, questions and bundles. */
const entryOf = (row: SheetRow): string[] => {
  if (row.kind === 'line') return row.inner ? [] : [row.line.id];
  return row.kind === 'question' || row.kind === 'bundle' ? [row.key] : [];
};

/**
 * The rows of the sheet as it is looked at, and what they need to be drawn.
 * @param typedIn the row that is typed in, which stays in view whatever is filtered
 */
export function useSheetRows(typedIn: string | null) {
  const { work, figures, lines, bundles, view } = useEditor();
  const { noteShown } = useEditorActions();
  const { document } = work;
  const troubles = useMemo(
    () => new Set([...lines.values()].filter(({ trouble }) => trouble !== null).map(({ line }) => line.id)),
    [lines],
  );
  const rows = useMemo(
    () => sheetRows({ document, bundles, troubles, view, typedIn }),
    [document, bundles, troubles, view, typedIn],
  );
  const sections = useMemo(
    () => new Map(figures.sections.map((section): [string, SectionFigures] => [section.section.id, section])),
    [figures],
  );
  const groups = useMemo(
    () =>
      view.grouping === null || view.grouping === 'list'
        ? null
        : new Map(groupFigures(figures, view.grouping).map(({ name, net }) => [name, net])),
    [figures, view.grouping],
  );
  const places = useMemo(() => new Map(rows.map(({ key }, i) => [key, i])), [rows]);
  const shownIds = useMemo(() => rows.flatMap(entryOf), [rows]);
  useEffect(() => noteShown(shownIds), [noteShown, shownIds]);
  // What is sorted has no place to be dragged to.
  const sorted = view.grouping === 'list' && view.order !== null;
  const entryIds = useMemo(() => (sorted ? [] : shownIds), [shownIds, sorted]);
  return { rows, sections, groups, places, entryIds };
}

export type SheetRows = ReturnType<typeof useSheetRows>;
