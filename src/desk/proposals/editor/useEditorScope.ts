import { measuringOf } from '@/core/space';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { differences as findDifferences } from '@/core/choice';
import type { BundleFigures, SectionLine } from '@/core/price';
import { computeFigures } from '@/core/price';
import type { Answer, DeskPreferences } from '@/model';
import { asSuggested } from '@/model';
import { useScreenWidth } from '@/ui/screen/useScreenWidth';
import type { EditorActions, EditorContext, LibraryActions, Reveal, Target } from './context';
import type { Column } from './sheet/columns';
import { columnsOf, fittingColumns, widerFor, withColumn, withoutCostColumns } from './sheet/columns';
import type { SheetView } from './sheet/rows';
import { toggled, useSelection } from './sheet/selection';
import type { DocumentInWork } from './useDocument';

const plainView: SheetView = {
  folded: new Set(),
  opened: new Set(),
  filter: null,
  grouping: null,
  order: null,
};

/** Figures of lines and bundles by their ids. */
function byId(figures: EditorContext['figures']) {
  const lines = new Map<string, SectionLine>();
  const bundles = new Map<string, BundleFigures>();
  for (const section of figures.sections) {
    for (const line of section.lines) lines.set(line.line.id, line);
    for (const [id, bundle] of section.bundles) bundles.set(id, bundle);
  }
  return { lines, bundles };
}

/** Where new lines go: what went away is no place for them. */
function placeThere(
  target: Target,
  { document }: DocumentInWork,
  bundles: ReadonlyMap<string, BundleFigures>,
): Target {
  const ids = document.sections.map(({ id }) => id);
  const isThere =
    target.kind === 'section'
      ? ids.includes(target.sectionId)
      : target.kind === 'bundle'
        ? bundles.has(target.bundleId)
        : document.sections.some(({ entries }) => entries.some(({ id }) => id === target.questionId));
  return isThere ? target : { kind: 'section', sectionId: ids.at(-1) ?? '' };
}

/**
 * How a person likes the sheet: the columns between unit and amount, shown as far as the screen has room, and low rows or
 * usual ones.
 */
function useLooks(
  figures: EditorContext['figures'],
  seesCost: boolean,
  preferences: DeskPreferences,
  savePreferences: (input: unknown) => Promise<Answer<void>>,
) {
  const [chosen, choose] = useState<readonly Column[]>(() => columnsOf(preferences.columns));
  const width = useScreenWidth();
  const wider = useMemo(() => widerFor(figures), [figures]);
  const columns = useMemo(
    () => fittingColumns(seesCost ? chosen : withoutCostColumns(chosen), wider, width),
    [chosen, seesCost, wider, width],
  );
  const [compact, setLow] = useState(preferences.compact ?? false);
  // What quick hands chose a moment ago counts, drawn or not.
  const now = useRef({ columns: chosen, compact });
  const keep = useCallback(
    (next: Partial<typeof now.current>) => {
      now.current = { ...now.current, ...next };
      choose(now.current.columns);
      setLow(now.current.compact);
      // Where it does not arrive, the sheet looks as it did the next time; nothing else hangs on it.
      savePreferences({ ...now.current, columns: [...now.current.columns] }).catch(() => undefined);
    },
    [savePreferences],
  );
  const toggleColumn = useCallback(
    (column: Column) => keep({ columns: withColumn(now.current.columns, column) }),
    [keep],
  );
  const setCompact = useCallback((next: boolean) => keep({ compact: next }), [keep]);
  return { chosenColumns: chosen, columns, toggleColumn, compact, setCompact };
}

/** Everything the parts of the editor share: the document with its figures, and what never changes while it is open. */
export function useEditorScope({
  proposal,
  work,
  preferences,
  savePreferences,
  libraryActions,
  rates,
  crews,
  readOnly,
}: Pick<EditorContext, 'rates' | 'crews'> & {
  readonly proposal: ProposalAtDesk;
  readonly work: DocumentInWork;
  readonly preferences: DeskPreferences;
  readonly savePreferences: (input: unknown) => Promise<Answer<void>>;
  readonly libraryActions: LibraryActions;
  readonly readOnly: boolean;
}) {
  const [target, setTarget] = useState<Target>(() => ({
    kind: 'section',
    sectionId: proposal.document.sections.at(-1)?.id ?? '',
  }));
  const [view, setView] = useState<SheetView>(plainView);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [revealed, reveal] = useState<Reveal | null>(null);
  const figures = useMemo(() => computeFigures(work.document, asSuggested), [work.document]);
  const { lines, bundles } = useMemo(() => byId(figures), [figures]);
  const differences = useMemo(() => findDifferences(work.document, asSuggested), [work.document]);
  const looks = useLooks(figures, proposal.prices === null, preferences, savePreferences);
  const { chosenColumns, columns, toggleColumn, compact, setCompact } = looks;
  const { select, noteShown } = useSelection(setSelected);
  const toggle = useCallback(
    (key: string) => setView((before) => ({ ...before, opened: toggled(before.opened, key) })),
    [],
  );
  const { edit } = work;
  const seesCost = proposal.prices === null;
  const { minorDigits } = figures;
  const measuring = measuringOf(work.document);
  const actions: EditorActions = useMemo(
    () => ({
      edit,
      setTarget,
      readOnly,
      minorDigits,
      measuring,
      moved: proposal.moved,
      seesCost,
      setView,
      toggle,
      reveal,
      select,
      noteShown,
      columns,
      chosenColumns,
      toggleColumn,
      compact,
      setCompact,
    }),
    [
      chosenColumns,
      columns,
      toggleColumn,
      compact,
      setCompact,
      edit,
      readOnly,
      minorDigits,
      measuring,
      proposal.moved,
      seesCost,
      toggle,
      select,
      noteShown,
    ],
  );
  const context: EditorContext = {
    proposalId: proposal.id,
    work,
    figures,
    lines,
    bundles,
    view,
    selected,
    differences,
    target: placeThere(target, work, bundles),
    setTarget,
    readOnly,
    libraryActions,
    rates,
    crews,
    taxesNow: proposal.taxesNow,
  };
  return { context, actions, revealed, setSelected };
}
