import type { Measuring } from '@/model';
import { inMeters } from '../space';
import type { Bundle, Dimension, Line, ProposalDocument, Section, SectionEntry, Space } from '@/model';
import { parseQuantity } from '../quantity';
import { FormulaError } from '../formula';
import { writeFixed } from '../number';
import { PartGone, sectionOf } from './partGone';
import { dropRulesOf } from './rules';
import { fitting } from '../text/fitting';

/* Edits of the spaces of sections, and of sections and entries as wholes. */

/**
 * Reads a typed length: arithmetic, feet and inches, meters; the text is kept where it says more than the number.
 * @param measuring in what a bare number is
 * @throws FormulaError for text that is no length, or one below zero
 */
export function readDimension(typed: string, measuring: Measuring): Dimension {
  const text = measuring === 'us' ? typed.trim() : inMeters(typed, 1);
  const value = parseQuantity(text, 3, { unit: 'ft' });
  if (value < 0n) throw new FormulaError('A length is not below zero.', 0);
  const written = writeFixed(value);
  return text === written ? { value: written } : { value: written, typed: text };
}

/**
 * Reads the sides of a rectangle as they are typed in one go: `15 x 16`, `12' 6" x 14' x 8'`; the third is the height.
 * @throws Error in words for text that is no such thing
 */
export function readSides(typed: string, measuring: Measuring): Space {
  const sides = typed.split(/[x×]/i).map((side) => side.trim());
  if (sides.length < 2 || sides.length > 3 || sides.includes(''))
    throw new Error('Length and width, then the height: 15 x 16 x 9.');
  const [length, width, height] = sides.map((side) => readDimension(side, measuring));
  return {
    shape: { kind: 'rectangle', length: length!, width: width! },
    ...(height ? { height } : {}),
    openings: [],
  };
}

/** Gives a section its space, or takes it away. */
export function setSpace(document: ProposalDocument, sectionId: string, space: Space | null): void {
  const section = sectionOf(document, sectionId);
  if (space === null) delete section.space;
  else section.space = space;
}

/** Puts entries into a room or a phase of the work; empty text takes them out of it. */
export function setGroup(
  document: ProposalDocument,
  entryIds: readonly string[],
  by: 'room' | 'phase',
  name: string,
): void {
  const wanted = new Set(entryIds);
  for (const section of document.sections)
    for (const entry of section.entries) {
      if (entry.kind === 'question' || !wanted.has(entry.id)) continue;
      if (name.trim() === '') delete entry[by];
      else entry[by] = fitting(name, 60);
    }
}

/** Moves entries, in their order, to the end of a section or behind one of its entries. */
export function moveEntries(
  document: ProposalDocument,
  ids: readonly string[],
  sectionId: string,
  afterId?: string,
): void {
  const wanted = new Set(ids);
  const target = sectionOf(document, sectionId);
  const taken: SectionEntry[] = [];
  for (const section of document.sections)
    for (let i = 0; i < section.entries.length;) {
      if (wanted.has(section.entries[i]!.id)) taken.push(...section.entries.splice(i, 1));
      else i += 1;
    }
  const at = afterId === undefined ? -1 : target.entries.findIndex(({ id }) => id === afterId);
  target.entries.splice(at < 0 ? target.entries.length : at + 1, 0, ...taken);
}

/** Takes out several entries at once. */
export function removeEntries(document: ProposalDocument, ids: readonly string[]): void {
  const gone = new Set(ids);
  dropRulesOf(document, gone);
  for (const section of document.sections)
    for (let i = section.entries.length - 1; i >= 0; i -= 1)
      if (gone.has(section.entries[i]!.id)) section.entries.splice(i, 1);
}

/** A copy of an entry with identities of its own for everything in it. */
export function copyOfEntry(entry: SectionEntry, newId: () => string): SectionEntry {
  const lineCopy = (line: Line): Line => ({ ...line, id: newId() });
  const copyOf = (part: Line | Bundle): Line | Bundle =>
    part.kind === 'line' ? lineCopy(part) : { ...part, id: newId(), added: part.added.map(lineCopy) };
  if (entry.kind !== 'question') return copyOf(entry);
  const ids = new Map(entry.alternatives.map(({ id }) => [id, newId()]));
  return {
    ...entry,
    id: newId(),
    suggested: ids.get(entry.suggested) ?? entry.suggested,
    alternatives: entry.alternatives.map((alternative) => ({
      ...alternative,
      id: ids.get(alternative.id)!,
      lines: alternative.lines.map(copyOf),
    })),
    ...(entry.recommended
      ? {
          recommended: {
            ...entry.recommended,
            alternative: ids.get(entry.recommended.alternative) ?? entry.recommended.alternative,
          },
        }
      : {}),
  };
}

/** A copy that shares nothing with what it is a copy of. */
const plainCopy = <Part>(part: Part): Part => JSON.parse(JSON.stringify(part)) as Part;

/**
 * Puts a copy of a section behind it, with everything in it.
 * @returns the id of the copy
 * @throws PartGone where there is no such part
 */
export function duplicateSection(
  document: ProposalDocument,
  section: Section,
  newId: () => string,
  title = `${section.title} (copy)`,
): string {
  const at = document.sections.findIndex(({ id }) => id === section.id);
  if (at < 0) throw new PartGone(section.id);
  const now = plainCopy(document.sections[at]!);
  const copy: Section = {
    ...now,
    id: newId(),
    title: title.slice(0, 200),
    entries: now.entries.map((entry) => copyOfEntry(entry, newId)),
  };
  document.sections.splice(at + 1, 0, copy);
  return copy.id;
}

/**
 * Puts a copy of an entry behind it; a bundle may take another name: “front steps”, “garden steps”.
 * @throws PartGone where there is no such part
 */
export function duplicateEntry(
  document: ProposalDocument,
  entry: Pick<SectionEntry, 'id'>,
  newId: () => string,
  name?: string,
): string {
  for (const section of document.sections) {
    const at = section.entries.findIndex(({ id }) => id === entry.id);
    if (at < 0) continue;
    // As it stands now: what was typed a moment ago is in it.
    const copy = copyOfEntry(plainCopy(section.entries[at]!), newId);
    if (name !== undefined && copy.kind === 'bundle') copy.name = name.slice(0, 200);
    section.entries.splice(at + 1, 0, copy);
    return copy.id;
  }
  throw new PartGone(entry.id);
}
