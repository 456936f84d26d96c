import type { Line, ProposalDocument } from '@/model';
import { findBundle, findLine, findQuestion } from './find';
import { dropRulesOf } from './rules';
import { PartGone, sectionOf } from './partGone';

/**
 * Moves a section, or an entry within its section and past its ends into the next, by one place.
 * @throws PartGone where there is no such part
 */
export function moveBy(document: ProposalDocument, id: string, by: 1 | -1): void {
  const from = document.sections.findIndex((section) => section.id === id);
  if (from >= 0) {
    const to = from + by;
    if (to < 0 || to >= document.sections.length) return;
    const [section] = document.sections.splice(from, 1);
    document.sections.splice(to, 0, section!);
    return;
  }
  for (const [s, section] of document.sections.entries()) {
    const at = section.entries.findIndex((entry) => entry.id === id);
    if (at < 0) continue;
    const to = at + by;
    if (to >= 0 && to < section.entries.length) {
      const [entry] = section.entries.splice(at, 1);
      section.entries.splice(to, 0, entry!);
    } else {
      const neighbour = document.sections[s + by];
      if (!neighbour) return;
      const [entry] = section.entries.splice(at, 1);
      neighbour.entries.splice(by === 1 ? 0 : neighbour.entries.length, 0, entry!);
    }
    return;
  }
  const inner = findLine(document, id) ?? findBundle(document, id);
  if (!inner) throw new PartGone(id);
  const to = inner.index + by;
  if (to < 0 || to >= inner.list.length) return;
  const [line] = inner.list.splice(inner.index, 1);
  (inner.list as Line[]).splice(to, 0, line as Line);
}

/**
 * Moves an entry to a place: before the entry `beforeId` of a section, or to its end.
 * @throws PartGone where there is no such part
 */
export function moveEntryTo(
  document: ProposalDocument,
  id: string,
  sectionId: string,
  beforeId: string | null,
): void {
  if (id === beforeId) return;
  const target = sectionOf(document, sectionId);
  const source = document.sections.find((section) => section.entries.some((entry) => entry.id === id));
  if (!source) throw new PartGone(id);
  const [entry] = source.entries.splice(
    source.entries.findIndex((candidate) => candidate.id === id),
    1,
  );
  const at = beforeId === null ? -1 : target.entries.findIndex((candidate) => candidate.id === beforeId);
  target.entries.splice(at < 0 ? target.entries.length : at, 0, entry!);
}

/**
 * Moves an entry to where it was dropped: dragged downward within a section it goes behind the entry it is dropped on, else
 * before it. Dropped on what is no entry, it stays.
 */
export function placeDropped(document: ProposalDocument, id: string, onto: string): void {
  const to = document.sections.find((section) => section.entries.some((entry) => entry.id === onto));
  if (!to) return;
  const ids = to.entries.map((entry) => entry.id);
  const [from, at] = [ids.indexOf(id), ids.indexOf(onto)];
  moveEntryTo(document, id, to.id, from >= 0 && from < at ? (ids[at + 1] ?? null) : onto);
}

/**
 * Moves a section before another, or to the end.
 * @throws PartGone where there is no such part
 */
export function moveSectionTo(document: ProposalDocument, id: string, beforeId: string | null): void {
  if (id === beforeId) return;
  const from = document.sections.findIndex((section) => section.id === id);
  if (from < 0) throw new PartGone(id);
  const [section] = document.sections.splice(from, 1);
  const at = beforeId === null ? -1 : document.sections.findIndex((candidate) => candidate.id === beforeId);
  document.sections.splice(at < 0 ? document.sections.length : at, 0, section!);
}

/**
 * Takes out a line, a question, an alternative, a bundle or a section, with the rules between choices that speak of it.
 * The last alternative takes its question with it.
 * @throws PartGone where there is no such part
 */
export function removePart(document: ProposalDocument, id: string): void {
  dropRulesOf(document, new Set([id]));
  const section = document.sections.findIndex((candidate) => candidate.id === id);
  if (section >= 0) {
    document.sections.splice(section, 1);
    return;
  }
  const line = findLine(document, id);
  if (line) {
    line.list.splice(line.index, 1);
    return;
  }
  const bundle = findBundle(document, id);
  if (bundle) {
    bundle.list.splice(bundle.index, 1);
    return;
  }
  const question = findQuestion(document, id);
  if (question) {
    question.section.entries.splice(question.index, 1);
    return;
  }
  for (const candidate of document.sections)
    for (const [index, entry] of candidate.entries.entries()) {
      if (entry.kind !== 'question') continue;
      const at = entry.alternatives.findIndex((alternative) => alternative.id === id);
      if (at < 0) continue;
      if (entry.alternatives.length === 1) candidate.entries.splice(index, 1);
      else {
        entry.alternatives.splice(at, 1);
        if (entry.suggested === id) entry.suggested = entry.alternatives[0]!.id;
        if (entry.recommended?.alternative === id) delete entry.recommended;
      }
      return;
    }
  throw new PartGone(id);
}
