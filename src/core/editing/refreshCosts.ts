import type { Bundle, Line, PricedItem, ProposalDocument, SectionEntry } from '@/model';
import type { Fixed } from '../number';
import { itemUnitCost } from '../price';

/** What of an item its price is worked out from; names, units and tax of a line are its own. */
const fields = ['costs', 'waste', 'pack', 'minimumCharge', 'breaks', 'loads'] as const;

/** Text that is the same for two values that are the same, whatever the order of their fields. */
const canonical = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) =>
    part !== null && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  ) ?? '';

type Copied = PricedItem & Pick<Line, 'fromLibrary'>;

/** What an item has of a field by the library, whatever this job says. */
const inLibrary = (item: Partial<Copied>, field: (typeof fields)[number]): unknown => {
  const kept: Partial<Record<string, unknown>> = item.fromLibrary ?? {};
  return Object.hasOwn(kept, field) ? (kept[field] ?? undefined) : item[field];
};

/** Do two items come to the same cost in every quantity, by what the library says of them? */
export const costsAlike = (a: Partial<Copied>, b: Partial<Copied>): boolean =>
  fields.every((field) => canonical(inLibrary(a, field)) === canonical(inLibrary(b, field)));

/** What this job says otherwise stays; what it would be taken back to is what the library has now. */
function withCosts<Item extends Copied>(item: Item, fresh: PricedItem): Item {
  const next: Record<string, unknown> = { ...item };
  const kept: Record<string, unknown> = { ...item.fromLibrary };
  for (const field of fields)
    if (Object.hasOwn(kept, field)) kept[field] = fresh[field] ?? null;
    else if (fresh[field] === undefined) delete next[field];
    else next[field] = fresh[field];
  if (item.fromLibrary) next.fromLibrary = kept;
  return next as Item;
}

export interface CostMove {
  readonly description: string;
  readonly unit: PricedItem['unit'];
  /** Unit costs, before waste and breaks. */
  readonly before: Fixed;
  readonly after: Fixed;
}

/** Everything of a document that was copied from the library. */
export function* copiedItems(document: ProposalDocument): Generator<PricedItem> {
  for (const { entries } of document.sections)
    for (const entry of entries)
      if (entry.kind === 'question')
        for (const { lines } of entry.alternatives) for (const inner of lines) yield* itemsOf(inner);
      else yield* itemsOf(entry);
}

function* itemsOf(part: Line | Bundle): Generator<PricedItem> {
  if (part.kind === 'line') yield part;
  else {
    yield* Object.values(part.items);
    yield* part.added;
  }
}

/**
 * The document with the costs the library has now, where it has the item still; costs typed over and held prices stay,
 * as do the changes made on this job. What did not move stays the same object.
 * @param items the library's items by id
 * @returns each item that moved once, with its unit cost before and after
 */
export function refreshedCosts(
  document: ProposalDocument,
  items: ReadonlyMap<string, PricedItem>,
): { readonly document: ProposalDocument; readonly moves: readonly CostMove[] } {
  const moves = new Map<string, CostMove>();
  const fresh = <Item extends Copied>(item: Item): Item => {
    const now = item.itemId === undefined ? undefined : items.get(item.itemId);
    if (!now || costsAlike(item, now)) return item;
    moves.set(item.itemId!, {
      description: item.description,
      unit: item.unit,
      before: itemUnitCost(inLibrary(item, 'costs') as PricedItem['costs']),
      after: itemUnitCost(now.costs),
    });
    return withCosts(item, now);
  };
  const list = <T>(all: readonly T[], change: (each: T) => T): T[] => {
    const next = all.map(change);
    return next.some((each, i) => each !== all[i]) ? next : (all as T[]);
  };
  const freshPart = (part: Line | Bundle): Line | Bundle => {
    if (part.kind === 'line') return fresh(part);
    const known = Object.entries(part.items);
    const next = known.map(([key, item]) => [key, fresh(item)] as const);
    const added = list<Line>(part.added, fresh);
    const same = next.every(([, item], i) => item === known[i]![1]) && added === part.added;
    return same ? part : { ...part, items: Object.fromEntries(next), added };
  };
  const sections = list(document.sections, (section) => {
    const entries = list<SectionEntry>(section.entries, (entry) => {
      if (entry.kind !== 'question') return freshPart(entry);
      const alternatives = list(entry.alternatives, (alternative) => {
        const lines = list<Line | Bundle>(alternative.lines, freshPart);
        return lines === alternative.lines ? alternative : { ...alternative, lines };
      });
      return alternatives === entry.alternatives ? entry : { ...entry, alternatives };
    });
    return entries === section.entries ? section : { ...section, entries };
  });
  return {
    document: sections === document.sections ? document : { ...document, sections },
    moves: [...moves.values()],
  };
}
