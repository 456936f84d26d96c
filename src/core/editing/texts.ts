import type { ProposalDocument } from '@/model';
import { fitting } from '../text/fitting';
import { sectionOf } from './partGone';

/** Puts a new, empty section at the end, or behind the one named. */
export function addSection(document: ProposalDocument, id: string, title: string, afterId?: string): void {
  const at = afterId === undefined ? -1 : document.sections.findIndex((section) => section.id === afterId);
  document.sections.splice(at < 0 ? document.sections.length : at + 1, 0, { id, title, entries: [] });
}

/** Renames a section or changes its texts. */
export function setSection(
  document: ProposalDocument,
  sectionId: string,
  change: {
    readonly title?: string;
    readonly text?: string;
    readonly internalNote?: string;
    readonly phase?: string;
  },
): void {
  const section = sectionOf(document, sectionId);
  if (change.title !== undefined && change.title.trim() !== '') section.title = fitting(change.title, 200);
  for (const field of ['text', 'internalNote', 'phase'] as const) {
    const text = change[field];
    if (text === undefined) continue;
    const kept = fitting(text, lengths[field]);
    if (kept === '') delete section[field];
    else section[field] = kept;
  }
}

const lengths = { text: 20_000, internalNote: 2000, phase: 60 } as const;

/** Retitles the proposal; empty text is ignored, a proposal always has a title. */
export function setTitle(document: ProposalDocument, text: string): void {
  const title = fitting(text, 200);
  if (title !== '') document.title = title;
}

/** Sets or clears a text of the whole proposal. */
export function setDocumentText(
  document: ProposalDocument,
  field: 'coverNote' | 'terms' | 'internalNote',
  text: string,
): void {
  const kept = fitting(text, field === 'internalNote' ? 5000 : 20_000);
  if (kept === '') delete document[field];
  else document[field] = kept;
}
