import type { BundleFigures } from '@/core/price';
import type { Grouping } from '@/core/insight';
import { groupOf } from '@/core/insight';
import type { Order } from './order';
import type { Alternative, Bundle, Line, ProposalDocument, Question, Section, SectionEntry } from '@/model';

/** One row of the sheet, in the order they stand. Keys are unique and stay with what the row shows. */
export type SheetRow =
  | { readonly kind: 'section'; readonly key: string; readonly section: Section }
  | { readonly kind: 'space'; readonly key: string; readonly section: Section }
  | { readonly kind: 'group'; readonly key: string; readonly name: string }
  | {
      readonly kind: 'line';
      readonly key: string;
      readonly line: Line;
      readonly sectionId: string;
      /** Stands inside an alternative or a bundle. */
      readonly inner: 'alternative' | 'bundle' | null;
    }
  | { readonly kind: 'details'; readonly key: string; readonly line: Line }
  | {
      readonly kind: 'question';
      readonly key: string;
      readonly question: Question;
      readonly sectionId: string;
    }
  | {
      readonly kind: 'alternative';
      readonly key: string;
      readonly question: Question;
      readonly alternative: Alternative;
    }
  | { readonly kind: 'bundle'; readonly key: string; readonly bundle: Bundle; readonly sectionId: string }
  | { readonly kind: 'inputs'; readonly key: string; readonly bundle: Bundle }
  | { readonly kind: 'part'; readonly key: string; readonly bundle: Bundle; readonly index: number }
  | { readonly kind: 'hint'; readonly key: string; readonly sectionId: string };

export const filters = {
  extras: 'Extras',
  questions: 'Questions to the customer',
  untouched: 'Quantities not confirmed',
  costs: 'Costs typed over',
  held: 'Fixed prices',
  open: 'Not decided yet',
  troubles: 'What cannot be computed',
} as const;
export type Filter = keyof typeof filters | `code:${string}`;

/** How the sheet is looked at; none of it is part of the proposal. */
export interface SheetView {
  readonly folded: ReadonlySet<string>;
  /** Keys of bundles, spaces and details that stand open. */
  readonly opened: ReadonlySet<string>;
  readonly filter: Filter | null;
  /** Gathered by something, or one list without sections; null: by section. */
  readonly grouping: Grouping | 'list' | null;
  /** How one list is sorted; null: as the entries stand. */
  readonly order: Order | null;
}

const lineFits = (line: Line, filter: Filter, troubles: ReadonlySet<string>): boolean => {
  if (filter.startsWith('code:')) return (line.costCode ?? '') === filter.slice(5);
  if (filter === 'extras') return line.extra !== undefined;
  if (filter === 'untouched') return line.quantityOpen === true;
  if (filter === 'costs') return line.typedCost !== undefined;
  if (filter === 'held') return line.heldPrice !== undefined;
  if (filter === 'open') return line.open !== undefined;
  return filter === 'troubles' && troubles.has(line.id);
};

function bundleFits(bundle: Bundle, figures: BundleFigures | undefined, filter: Filter): boolean {
  if (filter === 'extras') return bundle.extra !== undefined;
  if (filter === 'open') return bundle.open !== undefined;
  if (filter === 'troubles') return (figures?.sized.troubles.length ?? 0) > 0;
  return (figures?.lines ?? []).some(({ line }) => lineFits(line, filter, new Set()));
}

/** What the rows are made from. */
export interface RowsInput {
  readonly document: ProposalDocument;
  readonly bundles: ReadonlyMap<string, BundleFigures>;
  /** Ids of lines whose quantity cannot be computed. */
  readonly troubles: ReadonlySet<string>;
  readonly view: SheetView;
  /** The key of the row that is typed in: it stays while it is, whatever the filter makes of what is typed. */
  readonly typedIn?: string | null;
}

/** Whether an entry is, or holds, the row of a key. */
const holds = (entry: SectionEntry, key: string): boolean =>
  key.startsWith(entry.id) ||
  (entry.kind === 'question' &&
    entry.alternatives.some(
      ({ id, lines }) => key.startsWith(id) || lines.some((inner) => key.startsWith(inner.id)),
    )) ||
  (entry.kind === 'bundle' && entry.added.some(({ id }) => key.startsWith(id)));

function fits(entry: SectionEntry, { bundles, troubles, view, typedIn }: RowsInput): boolean {
  const { filter } = view;
  if (filter === null || (typedIn && holds(entry, typedIn))) return true;
  if (entry.kind === 'line') return lineFits(entry, filter, troubles);
  if (entry.kind === 'bundle') return bundleFits(entry, bundles.get(entry.id), filter);
  return (
    filter === 'questions' ||
    entry.alternatives.some(({ lines }) =>
      lines.some((inner) =>
        inner.kind === 'line'
          ? lineFits(inner, filter, troubles)
          : bundleFits(inner, bundles.get(inner.id), filter),
      ),
    )
  );
}

function* lineRows(
  line: Line,
  sectionId: string,
  inner: 'alternative' | 'bundle' | null,
  view: SheetView,
): Generator<SheetRow> {
  yield { kind: 'line', key: line.id, line, sectionId, inner };
  if (view.opened.has(line.id)) yield { kind: 'details', key: `${line.id} details`, line };
}

function* entryRows(entry: SectionEntry, sectionId: string, input: RowsInput): Generator<SheetRow> {
  if (entry.kind === 'line') {
    yield* lineRows(entry, sectionId, null, input.view);
    return;
  }
  if (entry.kind === 'question') {
    yield { kind: 'question', key: entry.id, question: entry, sectionId };
    for (const alternative of entry.alternatives) {
      yield { kind: 'alternative', key: alternative.id, question: entry, alternative };
      for (const inner of alternative.lines)
        if (inner.kind === 'line') yield* lineRows(inner, sectionId, 'alternative', input.view);
        else yield* bundleRows(inner, sectionId, input);
    }
    return;
  }
  yield* bundleRows(entry, sectionId, input);
}

function* bundleRows(entry: Bundle, sectionId: string, input: RowsInput): Generator<SheetRow> {
  yield { kind: 'bundle', key: entry.id, bundle: entry, sectionId };
  if (!input.view.opened.has(entry.id)) return;
  yield { kind: 'inputs', key: `${entry.id} inputs`, bundle: entry };
  const parts = input.bundles.get(entry.id)?.sized.parts ?? [];
  for (const [index, part] of parts.entries())
    yield { kind: 'part', key: `${entry.id} part ${part.path}`, bundle: entry, index };
  for (const line of entry.added) yield* lineRows(line, sectionId, 'bundle', input.view);
}

function* bySection(input: RowsInput): Generator<SheetRow> {
  const { document, view } = input;
  for (const section of document.sections) {
    const entries = section.entries.filter((entry) => fits(entry, input));
    if (view.filter !== null && entries.length === 0) continue;
    yield { kind: 'section', key: section.id, section };
    const spaceKey = `${section.id} space`;
    if (view.opened.has(spaceKey)) yield { kind: 'space', key: spaceKey, section };
    if (view.folded.has(section.id)) continue;
    for (const entry of entries) yield* entryRows(entry, section.id, input);
    if (section.entries.length === 0)
      yield { kind: 'hint', key: `${section.id} hint`, sectionId: section.id };
  }
}

function* byGroup(input: RowsInput, grouping: Grouping): Generator<SheetRow> {
  const groups = new Map<string, { entry: SectionEntry; sectionId: string }[]>();
  for (const section of input.document.sections)
    for (const entry of section.entries) {
      if (!fits(entry, input)) continue;
      const name = groupOf(entry, section, grouping);
      const group = groups.get(name);
      if (group) group.push({ entry, sectionId: section.id });
      else groups.set(name, [{ entry, sectionId: section.id }]);
    }
  // What has no room, phase or trade stands at the end.
  const names = [...groups.keys()].sort((a, b) => Number(a === '') - Number(b === ''));
  for (const name of names) {
    yield { kind: 'group', key: `group ${name}`, name };
    for (const { entry, sectionId } of groups.get(name)!) yield* entryRows(entry, sectionId, input);
  }
}

/** All entries as one list, in the order that was asked for. */
function* asList(input: RowsInput): Generator<SheetRow> {
  const places = new Map(input.view.order?.ids.map((id, i) => [id, i]));
  const entries = input.document.sections.flatMap(({ id: sectionId, entries: of }) =>
    of.filter((entry) => fits(entry, input)).map((entry) => ({ entry, sectionId })),
  );
  const at = (id: string) => places.get(id) ?? places.size;
  entries.sort((a, b) => at(a.entry.id) - at(b.entry.id));
  for (const { entry, sectionId } of entries) yield* entryRows(entry, sectionId, input);
}

/** The rows of the sheet as it is looked at: folded, filtered, gathered by room, phase or trade. */
export function sheetRows(input: RowsInput): SheetRow[] {
  const { grouping } = input.view;
  if (grouping === 'list') return [...asList(input)];
  return [...(grouping === null ? bySection(input) : byGroup(input, grouping))];
}
