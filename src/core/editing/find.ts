import { isDraft, original } from 'immer';
import type { Alternative, Bundle, Line, ProposalDocument, Question, Section, SectionEntry } from '@/model';

/** Where a line stands: in a section, in an alternative of one of its questions, or added to a bundle of either. */
export interface LinePlace {
  readonly section: Section;
  readonly line: Line;
  readonly list: SectionEntry[] | (Line | Bundle)[] | Line[];
  readonly index: number;
  readonly question: Question | null;
  readonly alternative: Alternative | null;
  readonly bundle: Bundle | null;
}

/** Where a line stands, as places in the lists that lead to it. */
interface Path {
  readonly section: number;
  readonly entry: number;
  /** Inside an alternative of a question. */
  readonly inside?: { readonly alternative: number; readonly index: number };
  /** Added to the bundle that stands there. */
  readonly added?: number;
}

function pathOf(document: ProposalDocument, id: string): Path | null {
  const within = (each: Line | Bundle, at: Path): Path | null => {
    if (each.kind === 'line') return each.id === id ? at : null;
    const added = each.added.findIndex((line) => line.id === id);
    return added >= 0 ? { ...at, added } : null;
  };
  for (const [section, { entries }] of document.sections.entries())
    for (const [entry, each] of entries.entries()) {
      if (each.kind !== 'question') {
        const found = within(each, { section, entry });
        if (found) return found;
        continue;
      }
      for (const [alternative, { lines }] of each.alternatives.entries())
        for (const [index, inner] of lines.entries()) {
          const found = within(inner, { section, entry, inside: { alternative, index } });
          if (found) return found;
        }
    }
  return null;
}

function placeAt(document: ProposalDocument, path: Path, id: string): LinePlace | null {
  const section = document.sections[path.section];
  const entry = section?.entries[path.entry];
  if (!section || !entry) return null;
  const question = entry.kind === 'question' ? entry : null;
  const alternative = (path.inside && question?.alternatives[path.inside.alternative]) ?? null;
  const list = path.inside ? alternative?.lines : section.entries;
  const index = path.inside ? path.inside.index : path.entry;
  const part = list?.[index];
  if (!list || !part || part.kind === 'question') return null;
  if (part.kind === 'line')
    return part.id === id ? { section, line: part, list, index, question, alternative, bundle: null } : null;
  const line = path.added === undefined ? undefined : part.added[path.added];
  if (line?.id !== id) return null;
  return { section, line, list: part.added, index: path.added!, question, alternative, bundle: part };
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

/** Finds a bundle, in a section or in an alternative, and the list it stands in. */
export function findBundle(
  document: ProposalDocument,
  id: string,
): {
  readonly section: Section;
  readonly bundle: Bundle;
  readonly list: SectionEntry[] | (Line | Bundle)[];
  readonly index: number;
} | null {
  for (const section of document.sections)
    for (const [index, entry] of section.entries.entries()) {
      if (entry.kind === 'bundle' && entry.id === id)
        return { section, bundle: entry, list: section.entries, index };
      if (entry.kind !== 'question') continue;
      for (const { lines } of entry.alternatives) {
        const at = lines.findIndex((inner) => inner.kind === 'bundle' && inner.id === id);
        if (at >= 0) return { section, bundle: lines[at] as Bundle, list: lines, index: at };
      }
    }
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
