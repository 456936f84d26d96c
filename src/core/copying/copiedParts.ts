import type {
  Bundle,
  Line,
  Measure,
  PricedItem,
  PricesGiven,
  ProposalDocument,
  Room,
  SectionEntry,
  TaxClass,
} from '@/model';
import { MOST_ROOMS, copyOfEntry, sectionOf, withoutPlans } from '../editing';
import { knownFormula, namesIn } from '../formula';
import { measuresOf } from '../plan';

/** Lines, bundles and questions taken out of a proposal to be put in again, there or in another. */
export interface CopiedParts {
  readonly entries: readonly SectionEntry[];
  /** The tax classes of the proposal they are from. */
  readonly taxClasses: readonly TaxClass[];
  /** The measures of that proposal their formulas name, as they measured then. */
  readonly measures: readonly Measure[];
  /** The rooms they name, as they measured then; what was copied before rooms had a size has none. */
  readonly rooms?: readonly Room[];
}

/** The names a formula uses; none where it cannot be read. */
function namesOf(formula: string): string[] {
  try {
    return [...namesIn(knownFormula(formula)).keys()];
  } catch {
    return [];
  }
}

const linesIn = (entry: SectionEntry): (Line | Bundle)[] =>
  entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [entry];

const formulasIn = (part: Line | Bundle): string[] =>
  part.kind === 'line'
    ? part.formula === undefined
      ? []
      : [part.formula]
    : [...Object.values(part.values), ...part.added.flatMap(formulasIn)];

/**
 * What is copied of a proposal: the entries of these ids, in the order they stand there, with what they need elsewhere. What
 * ties a line to the agreement of a change order stays behind.
 * @param ids of entries of its sections; others count for nothing
 */
export function copiedParts(document: ProposalDocument, ids: ReadonlySet<string>): CopiedParts {
  const entries = document.sections.flatMap((section) => section.entries.filter(({ id }) => ids.has(id)));
  const named = new Set(entries.flatMap(linesIn).flatMap(formulasIn).flatMap(namesOf));
  // Plans stay with their house; what was traced goes along as a number.
  const { measures = [], rooms = [] } = withoutPlans(document);
  const inRooms = new Set(entries.flatMap(linesIn).map(({ room }) => room));
  return {
    entries: structuredClone(entries),
    taxClasses: document.taxClasses,
    measures: measures.filter(({ name }) => named.has(name)),
    rooms: rooms.filter(({ name }) => inRooms.has(name)),
  };
}

/**
 * Copied parts whose own lines have a fixed price: in another proposal nobody knows what such a line costs, when it was copied
 * where costs are not seen. Lines of library items are priced by the library there too.
 * @param prices unit prices by the key of a line, of the proposal they are from
 */
export function withPricesHeld(parts: CopiedParts, prices: PricesGiven): CopiedParts {
  const held = (line: Line): Line => {
    const price = Object.hasOwn(prices, line.id) ? prices[line.id] : undefined;
    return line.itemId !== undefined || price === undefined || line.heldPrice !== undefined
      ? line
      : { ...line, heldPrice: price };
  };
  const each = (part: Line | Bundle): Line | Bundle => (part.kind === 'line' ? held(part) : part);
  return {
    ...parts,
    entries: parts.entries.map((entry) =>
      entry.kind === 'question'
        ? {
            ...entry,
            alternatives: entry.alternatives.map((one) => ({ ...one, lines: one.lines.map(each) })),
          }
        : each(entry),
    ),
  };
}

/** Parts as they go into a proposal, with what they bring along. */
export interface PartsToPut {
  readonly entries: SectionEntry[];
  readonly measures: Measure[];
  readonly rooms?: Room[];
}

/** The class of a document that stands for one of another: the same, else the one of that name, else the first. */
function taxClassHere(document: ProposalDocument, theirs: readonly TaxClass[], id: string): string {
  const known = theirs.find((each) => each.id === id)?.name.toLowerCase();
  const ours = document.taxClasses;
  const same = ours.find(
    (each) => each.id === id && (known === undefined || each.name.toLowerCase() === known),
  );
  return (same ?? ours.find(({ name }) => name.toLowerCase() === known) ?? ours[0]!).id;
}

/**
 * Copied parts as they are put into a proposal: with identities of their own, in its tax classes. Nothing of them belongs to
 * an agreement.
 * @returns the entries, and the measures their formulas name and the rooms they name that the proposal has not
 */
export function partsToPaste(
  document: ProposalDocument,
  { entries, taxClasses, measures, rooms = [] }: CopiedParts,
  newId: () => string,
): PartsToPut {
  const classHere = (id: string) => taxClassHere(document, taxClasses, id);
  const lineHere = (line: Line): Line => {
    const { omits: _, settles: __, fromLibrary, ...rest } = line;
    return {
      ...rest,
      taxClass: classHere(rest.taxClass),
      ...(fromLibrary === undefined
        ? {}
        : {
            fromLibrary:
              fromLibrary.taxClass === undefined
                ? fromLibrary
                : { ...fromLibrary, taxClass: classHere(fromLibrary.taxClass) },
          }),
    };
  };
  const itemHere = (item: PricedItem): PricedItem => ({ ...item, taxClass: classHere(item.taxClass) });
  const partHere = (part: Line | Bundle): Line | Bundle =>
    part.kind === 'line'
      ? lineHere(part)
      : {
          ...part,
          items: Object.fromEntries(Object.entries(part.items).map(([key, item]) => [key, itemHere(item)])),
          changes: Object.fromEntries(
            Object.entries(part.changes).map(([path, change]) => [
              path,
              change.taxClass === undefined ? change : { ...change, taxClass: classHere(change.taxClass) },
            ]),
          ),
          added: part.added.map(lineHere),
        };
  const known = new Set(measuresOf(document).map(({ name }) => name));
  const sized = new Set(document.rooms?.map(({ name }) => name));
  return {
    entries: entries
      .map((entry) =>
        entry.kind === 'question'
          ? {
              ...entry,
              alternatives: entry.alternatives.map((each) => ({ ...each, lines: each.lines.map(partHere) })),
            }
          : partHere(entry),
      )
      .map((entry) => copyOfEntry(entry, newId)),
    measures: measures.filter(({ name }) => !known.has(name)).map((each) => ({ ...each, id: newId() })),
    rooms: rooms.filter(({ name }) => !sized.has(name)).map((each) => ({ ...each, id: newId() })),
  };
}

/** How many entries a section holds, and measures a proposal, as their schema says. */
const [MOST_ENTRIES, MOST_MEASURES] = [5000, 500];

/**
 * Puts parts into a section, behind one of its entries or at its end, with the measures and rooms they need.
 * @param afterId an entry, or something within one; where there is no such thing they come last
 * @throws PartGone where there is no such section
 * @throws Error in words where it holds no more
 */
export function putParts(
  document: ProposalDocument,
  sectionId: string,
  { entries, measures, rooms = [] }: PartsToPut,
  afterId?: string,
): void {
  const section = sectionOf(document, sectionId);
  if (section.entries.length + entries.length > MOST_ENTRIES)
    throw new Error(`A section holds ${MOST_ENTRIES} lines. Nothing is pasted.`);
  if ((document.measures?.length ?? 0) + measures.length > MOST_MEASURES)
    throw new Error(`A proposal holds ${MOST_MEASURES} measures. Nothing is pasted.`);
  if ((document.rooms?.length ?? 0) + rooms.length > MOST_ROOMS)
    throw new Error(`A proposal holds the sizes of ${MOST_ROOMS} rooms. Nothing is pasted.`);
  const at = afterId === undefined ? -1 : section.entries.findIndex(({ id }) => id === afterId);
  section.entries.splice(at < 0 ? section.entries.length : at + 1, 0, ...entries);
  if (measures.length > 0) document.measures = [...(document.measures ?? []), ...measures];
  if (rooms.length > 0) document.rooms = [...(document.rooms ?? []), ...rooms];
}

/** The section and entry that is a part or holds it; null where it is gone. */
export function entryHolding(
  { sections }: ProposalDocument,
  id: string,
): { readonly sectionId: string; readonly afterId: string } | null {
  for (const section of sections)
    for (const entry of section.entries) {
      const within = entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [];
      if (entry.id === id || within.some((part) => part.id === id))
        return { sectionId: section.id, afterId: entry.id };
    }
  return null;
}
