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

/** Finds a line anywhere in a document. */
export function findLine(document: ProposalDocument, id: string): LinePlace | null {
  for (const section of document.sections)
    for (const [index, entry] of section.entries.entries()) {
      if (entry.kind === 'line') {
        if (entry.id === id)
          return { section, line: entry, list: section.entries, index, question: null, alternative: null };
        continue;
      }
      for (const alternative of entry.alternatives) {
        const inner = alternative.lines.findIndex((line) => line.id === id);
        if (inner >= 0)
          return {
            section,
            line: alternative.lines[inner]!,
            list: alternative.lines,
            index: inner,
            question: entry,
            alternative,
          };
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
