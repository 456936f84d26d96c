import type { ProposalDocument, Section } from '@/model';
import { findLine } from './find';

/** The part an edit names is not there (any more). */
export class PartGone extends Error {
  constructor(readonly partId: string) {
    super('That part is not there any more.');
    this.name = 'PartGone';
  }
}

/**
 * The line of an id, with where it stands.
 * @throws PartGone when it is not there
 */
export function place(document: ProposalDocument, id: string) {
  const found = findLine(document, id);
  if (!found) throw new PartGone(id);
  return found;
}

/**
 * The section of an id.
 * @throws PartGone when it is not there
 */
export function sectionOf(document: ProposalDocument, id: string): Section {
  const found = document.sections.find((section) => section.id === id);
  if (!found) throw new PartGone(id);
  return found;
}
