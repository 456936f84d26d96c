import { isDraft, original } from 'immer';
import type { Alternative, Line, ProposalDocument, Question, Section } from '@/model';

/** Where a line stands: in a section, or in an alternative of one of its questions. */
export interface LinePlace {
  readonly section: Section;
  readonly line: Line;
  readonly list: (Line | Question)[] | Line[];
  readonly index: number;
  readonly question: Question | null;
  readonly alternative: Alternative | null;
}

interface Path {
  readonly section: number;
  readonly entry: number;
  /** Inside a question. */
  readonly inner?: { readonly alternative: number; readonly line: number };
}

function pathOf(document: ProposalDocument, id: string): Path | null {
  for (const [section, { entries }] of document.sections.entries())
    for (const [entry, each] of entries.entries()) {
      if (each.kind === 'line') {
        if (each.id === id) return { section, entry };
        continue;
      }
      for (const [alternative, { lines }] of each.alternatives.entries()) {
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
  if (entry.kind === 'line')
    return entry.id === id && !inner
      ? { section, line: entry, list: section.entries, index: e, question: null, alternative: null }
      : null;
  const alternative = inner && entry.alternatives[inner.alternative];
  const line = alternative?.lines[inner!.line];
  return alternative && line?.id === id
    ? { section, line, list: alternative.lines, index: inner.line, question: entry, alternative }
    : null;
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
