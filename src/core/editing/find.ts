import { isDraft, original } from 'immer';
import type { Alternative, Bundle, Line, ProposalDocument, Question, Section, SectionEntry } from '@/model';

/** Where a line stands: in a section, in an alternative of one of its questions, or added to one of its bundles. */
export interface LinePlace {
  readonly section: Section;
  readonly line: Line;
  readonly list: SectionEntry[] | Line[];
  readonly index: number;
  readonly question: Question | null;
  readonly alternative: Alternative | null;
  readonly bundle: Bundle | null;
}

interface Path {
  readonly section: number;
  readonly entry: number;
  /** Inside a question (with the alternative) or a bundle. */
  readonly inner?: { readonly alternative: number | null; readonly line: number };
}

function pathOf(document: ProposalDocument, id: string): Path | null {
  for (const [section, { entries }] of document.sections.entries())
    for (const [entry, each] of entries.entries()) {
      if (each.kind === 'line') {
        if (each.id === id) return { section, entry };
        continue;
      }
      const lists =
        each.kind === 'bundle'
          ? [{ alternative: null, lines: each.added }]
          : each.alternatives.map(({ lines }, alternative) => ({ alternative, lines }));
      for (const { alternative, lines } of lists) {
        const line = lines.findIndex((candidate) => candidate.id === id);
        if (line >= 0) return { section, entry, inner: { alternative, line } };
      }
    }
  return null;
}

function placeAt(
  document: ProposalDocument,
  { section: s, entry: e, inner }: Path,
  id: string,
): LinePlace | null {
  const section = document.sections[s];
  const entry = section?.entries[e];
  if (!section || !entry) return null;
  const nowhere = { question: null, alternative: null, bundle: null };
  if (entry.kind === 'line')
    return entry.id === id && !inner
      ? { ...nowhere, section, line: entry, list: section.entries, index: e }
      : null;
  if (!inner) return null;
  const alternative =
    entry.kind === 'question' && inner.alternative !== null ? entry.alternatives[inner.alternative] : null;
  const list = entry.kind === 'bundle' ? entry.added : alternative?.lines;
  const line = list?.[inner.line];
  if (!list || line?.id !== id) return null;
  return {
    section,
    line,
    list,
    index: inner.line,
    question: entry.kind === 'question' ? entry : null,
    alternative: alternative ?? null,
    bundle: entry.kind === 'bundle' ? entry : null,
  };
}

/**
 * Finds a line anywhere in a document. In a draft it looks in the state before the edit first and then touches only the
 * place itself: walking a draft would make a draft of every line on the way.
 */
export function findLine(document: ProposalDocument, id: string): LinePlace | null {
  const before = isDraft(document) ? original(document) : undefined;
  const known = before && pathOf(before, id);
  const found = known && placeAt(document, known, id);
  if (found) return found;
  const path = pathOf(document, id);
  return path && placeAt(document, path, id);
}

/** Finds a bundle and where it stands. */
export function findBundle(
  document: ProposalDocument,
  id: string,
): { readonly section: Section; readonly bundle: Bundle; readonly index: number } | null {
  for (const section of document.sections)
    for (const [index, entry] of section.entries.entries())
      if (entry.kind === 'bundle' && entry.id === id) return { section, bundle: entry, index };
  return null;
}

/** Finds a question and where it stands. */
export function findQuestion(
  document: ProposalDocument,
  id: string,
): { readonly section: Section; readonly question: Question; readonly index: number } | null {
  for (const section of document.sections)
    for (const [index, entry] of section.entries.entries())
      if (entry.kind === 'question' && entry.id === id) return { section, question: entry, index };
  return null;
}
