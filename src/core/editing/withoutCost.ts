import type { AgreedForChange } from '../agreements';
import { moreOf, omittedCosts } from '../agreements';
import { ONE, parseFixed } from '../number';
import type { Allowance, Bundle, Line, PricedItem, ProposalDocument, Section, SectionEntry } from '@/model';

/*
 * A document for those who see prices and no cost: what makes a price out of a cost is not in it. Its prices are computed
 * where the costs are; what was edited is put back over the document with its costs.
 */

/** What of a line or item says what it costs us, or how a price comes of that. */
const ofCost = ['costs', 'waste', 'pack', 'breaks', 'loads', 'markups', 'typedCost', 'fromLibrary'] as const;

const without = <T extends object>(value: T, keys: readonly string[]): T =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !keys.includes(key))) as T;

const mapValues = <T, R>(record: Readonly<Record<string, T>>, change: (value: T, key: string) => R) =>
  Object.fromEntries(Object.entries(record).map(([key, value]) => [key, change(value, key)]));

/** A line or item without cost: it costs nothing, as far as it says. */
const bare = <T extends { readonly costs: PricedItem['costs'] }>(value: T): T => ({
  ...without(value, ofCost),
  costs: [],
});

/** What an allowance at our price leaves us is ours to know; a fee on what is spent is agreed with the customer. */
const feeIsOurs = (allowance: Allowance | undefined): boolean => allowance?.rule === 'at our price';

const bareOwn = (line: Line): Line =>
  line.allowance && feeIsOurs(line.allowance)
    ? { ...bare(line), allowance: { ...line.allowance, fee: '0' } }
    : bare(line);

function bareBundle(bundle: Bundle): Bundle {
  return {
    ...without(bundle, ['loads']),
    items: mapValues(bundle.items, bare),
    changes: mapValues(bundle.changes, (change) => ({
      ...without(change, ofCost),
      ...(change.item ? { item: bare(change.item) } : {}),
    })),
    added: bundle.added.map(bareOwn),
  };
}

const bareLine = (entry: Line | Bundle): Line | Bundle =>
  entry.kind === 'line' ? bareOwn(entry) : bareBundle(entry);

const bareEntry = (entry: SectionEntry): SectionEntry =>
  entry.kind === 'question'
    ? {
        ...entry,
        alternatives: entry.alternatives.map((each) => ({ ...each, lines: each.lines.map(bareLine) })),
      }
    : bareLine(entry);

/**
 * A document without anything of cost: no unit cost, markup, waste, pack, quantity price break or factor of the area. Prices
 * typed by hand, minimum charges, discounts and fees stay: customers read what comes of them.
 *
 * @param document a proposal
 * @returns a document of the same shape, entry for entry
 */
export function withoutCost(document: ProposalDocument): ProposalDocument {
  return {
    ...without(document, ['area']),
    loads: [],
    sections: document.sections.map((section): Section => ({
      ...without(section, ['loads']),
      entries: section.entries.map(bareEntry),
    })),
  };
}

/** Every line and bundle of a document, wherever it stands, by its id; lines added to bundles too. */
function entriesOf(
  document: ProposalDocument,
  removed: readonly (Line | Bundle)[] = [],
): {
  readonly lines: ReadonlyMap<string, Line>;
  readonly bundles: ReadonlyMap<string, Bundle>;
} {
  const lines = new Map<string, Line>();
  const bundles = new Map<string, Bundle>();
  const take = (entry: Line | Bundle): void => {
    if (entry.kind === 'line') lines.set(entry.id, entry);
    else {
      bundles.set(entry.id, entry);
      entry.added.forEach(take);
    }
  };
  // What stands in the document counts before what once did.
  removed.forEach(take);
  for (const section of document.sections)
    for (const entry of section.entries)
      if (entry.kind === 'question') entry.alternatives.forEach(({ lines: each }) => each.forEach(take));
      else take(entry);
  return { lines, bundles };
}

/** The lines and bundles that stood in a document and do not any more: an undo brings them back, with what they cost. */
export function removedBy(before: ProposalDocument, after: ProposalDocument): (Line | Bundle)[] {
  const [was, is] = [entriesOf(before), entriesOf(after)];
  return [
    ...[...was.lines.values()].filter(({ id }) => !is.lines.has(id)),
    ...[...was.bundles.values()].filter(({ id }) => !is.bundles.has(id)),
  ];
}

/** Does an edited document have lines or bundles that did not stand in it before? */
export function hasNewParts(edited: ProposalDocument, before: ProposalDocument): boolean {
  return removedBy(edited, before).length > 0;
}

const only = (value: object, keys: readonly string[]) =>
  Object.fromEntries(Object.entries(value).filter(([key]) => keys.includes(key)));

/** What two lines or items have in common that are the same work: a copy of a line has its cost. */
const workOf = ({ itemId, code, description, unit }: PricedItem): string =>
  JSON.stringify([itemId ?? null, code ?? null, description, unit]);

/** Everything of a document that has a cost, by what work it is; lines before items of bundles. */
function workIn({ lines, bundles }: ReturnType<typeof entriesOf>): ReadonlyMap<string, PricedItem> {
  const work = new Map<string, PricedItem>();
  for (const bundle of bundles.values()) {
    for (const item of Object.values(bundle.items)) work.set(workOf(item), item);
    for (const { item } of Object.values(bundle.changes)) if (item) work.set(workOf(item), item);
  }
  for (const line of lines.values()) work.set(workOf(line), line);
  return work;
}

/** The items of the library that an edited document names and that did not stand in it before, by id. */
export function itemsNewIn(edited: ProposalDocument, before: ProposalDocument): string[] {
  const idsOf = (document: ProposalDocument): Set<string> => {
    const { lines, bundles } = entriesOf(document);
    const ids = new Set<string>();
    const add = ({ itemId }: Pick<PricedItem, 'itemId'>) => itemId !== undefined && ids.add(itemId);
    lines.forEach(add);
    for (const { items, changes } of bundles.values()) {
      Object.values(items).forEach(add);
      for (const { item } of Object.values(changes)) if (item) add(item);
    }
    return ids;
  };
  const known = idsOf(before);
  return [...idsOf(edited)].filter((id) => !known.has(id));
}

/** Where what is new in a document has its costs from. */
export interface KnownCosts {
  readonly library?: ReadonlyMap<string, PricedItem>;
  readonly removed?: readonly (Line | Bundle)[];
  /** The lines of the agreement behind a change order. */
  readonly agreed?: readonly AgreedForChange[];
}

/**
 * An edited document without cost over the document with its costs: what stood before has the cost it had, wherever it
 * stands now; what is new has that of the library, or of the line it was copied from.
 *
 * @param edited what became of `withoutCost(before)`
 * @param before the document with its costs
 * @param known where what is new has its costs from: the items of the library by id, and what was taken out of it before
 * @returns the edited document with its costs; of `withoutCost(before)` unedited, `before`
 */
export function withCost(
  edited: ProposalDocument,
  before: ProposalDocument,
  { library = new Map(), removed = [], agreed = [] }: KnownCosts = {},
): ProposalDocument {
  const known = entriesOf(before, removed);
  const work = workIn(known);
  const alike = (item: PricedItem): PricedItem | undefined => work.get(workOf(item));
  // An item that stands nowhere under these words still has a price of its own on another line.
  const ofItem = (id: string | undefined): PricedItem | undefined =>
    id === undefined ? undefined : (library.get(id) ?? byItem.get(id));
  const byItem = new Map([...work.values()].map((item) => [item.itemId, item]));
  // More of an agreed line is the same work; of two that read the same, the one it has the price of.
  const moreOfAgreed = ({
    itemId,
    description,
    unit,
    heldPrice,
  }: Line): Partial<AgreedForChange> | undefined => {
    if (itemId !== undefined) return undefined;
    const like = agreed.filter((each) => each.description === description && each.unit === unit);
    return like.find((each) => moreOf(each, ONE, '').heldPrice === heldPrice) ?? like[0];
  };
  const put = <T extends object>(value: T, cost: object | undefined): T => ({
    ...without(value, ofCost),
    ...only(cost ?? { costs: [] }, ofCost),
  });

  const line = (given: Line): Line => {
    const same = known.lines.get(given.id);
    const fee = feeIsOurs(given.allowance)
      ? (same ?? (alike(given) as Line | undefined))?.allowance?.fee
      : undefined;
    const own =
      fee !== undefined && given.allowance ? { ...given, allowance: { ...given.allowance, fee } } : given;
    // What a line leaves out of the agreement saves what that was sold as costing.
    const left = given.omits && agreed.find(({ id }) => id === given.omits!.line);
    if (left && same?.omits?.quantity !== given.omits!.quantity)
      return put(own, { costs: omittedCosts(left.costs, parseFixed(given.omits!.quantity)) });
    // Another item stands in its place: its cost is that of the item.
    if (same && same.itemId === given.itemId) return put(own, same);
    return put(own, alike(given) ?? ofItem(given.itemId) ?? moreOfAgreed(given));
  };

  const bundle = (given: Bundle): Bundle => {
    const same = known.bundles.get(given.id);
    const priced = (item: PricedItem, key: string): PricedItem => {
      const there = same?.items[key];
      return put(item, there && there.itemId === item.itemId ? there : (alike(item) ?? ofItem(item.itemId)));
    };
    return {
      ...without(given, ['loads']),
      ...only(same ?? {}, ['loads']),
      items: mapValues(given.items, priced),
      changes: mapValues(given.changes, (change, key) => {
        const there = same?.changes[key];
        const { item } = change;
        const own = item && there?.item?.itemId === item.itemId ? there?.item : undefined;
        return {
          ...without(change, ofCost),
          ...only(there ?? {}, ofCost),
          ...(item ? { item: put(item, own ?? alike(item) ?? ofItem(item.itemId)) } : {}),
        };
      }),
      added: given.added.map(line),
    };
  };

  const either = (entry: Line | Bundle): Line | Bundle =>
    entry.kind === 'line' ? line(entry) : bundle(entry);
  const sections = new Map(before.sections.map((section) => [section.id, section]));
  return {
    ...without(edited, ['area', 'loads']),
    ...only(before, ['area']),
    loads: before.loads,
    sections: edited.sections.map((section): Section => ({
      ...without(section, ['loads']),
      ...only(sections.get(section.id) ?? {}, ['loads']),
      entries: section.entries.map((entry): SectionEntry =>
        entry.kind === 'question'
          ? {
              ...entry,
              alternatives: entry.alternatives.map((each) => ({ ...each, lines: each.lines.map(either) })),
            }
          : either(entry),
      ),
    })),
  };
}
