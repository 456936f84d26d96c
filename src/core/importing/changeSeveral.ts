import type { BundleInLibrary, ItemInput, SeveralChange, SeveralField } from '@/model';
import { unitName } from '@/model';
import { showDecimal, showUnitAmount } from '../number';
import { itemUnitCost } from '../price';
import { raisedCosts } from './raise';

/** An entry of the library as it is changed: all of an item, what is told of a bundle. */
export type LibraryEntry =
  ({ readonly kind: 'item' } & ItemInput) | ({ readonly kind: 'bundle' } & Omit<BundleInLibrary, 'recipe'>);

/** What a bundle has, too; the rest is an item’s alone. */
const ofBundles: readonly SeveralField[] = [
  'name',
  'code',
  'detail',
  'internalNote',
  'trade',
  'tags',
  'picture',
];

/** Whether an entry has a field at all. */
export const hasField = (entry: LibraryEntry, field: SeveralField): boolean =>
  entry.kind === 'item' || ofBundles.includes(field);

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** A text with some of its words put in place of others, capitals or small letters; without words to find, the whole. */
const withWords = (text: string, find: string, put: string): string =>
  find === '' ? put.trim() : text.replace(new RegExp(escaped(find), 'gi'), () => put).trim();

/** Tags with some put on and some taken off, in small letters, each once. */
function withTags(tags: readonly string[], add: readonly string[], drop: readonly string[]): string[] {
  const plain = (list: readonly string[]) => list.map((tag) => tag.trim().toLowerCase()).filter(Boolean);
  const gone = new Set(plain(drop));
  return [...new Set([...tags, ...plain(add)])].filter((tag) => !gone.has(tag));
}

/**
 * An entry of the library with one change made; the same object where nothing changes for it, as where a bundle has no such
 * field. Whether the result can be stored is not decided here.
 */
export function changedEntry<Entry extends LibraryEntry>(entry: Entry, change: SeveralChange): Entry {
  if (!hasField(entry, change.field)) return entry;
  const before: Partial<Record<SeveralField, unknown>> = entry;
  const now = before[change.field];
  const next = nextOf(entry, change);
  if (JSON.stringify(next ?? null) === JSON.stringify(now ?? null)) return entry;
  const { [change.field]: _, ...rest } = before;
  return (next === undefined ? rest : { ...rest, [change.field]: next }) as Entry;
}

function nextOf(entry: LibraryEntry, change: SeveralChange): unknown {
  switch (change.field) {
    case 'name':
    case 'code':
    case 'detail':
    case 'internalNote':
    case 'supplierNote': {
      const text = plainField(entry, change.field);
      return withWords(text, change.find, change.put);
    }
    case 'tags':
      return withTags(entry.tags, change.add, change.drop);
    case 'costs':
      return entry.kind === 'item' ? raisedCosts(entry.costs, change.percent, change.costTypes) : undefined;
    case 'trade':
    case 'costCode':
      return change.set.trim();
    default:
      return change.set ?? undefined;
  }
}

/**
 * A field of an entry in words, for before and after.
 * @param className the name of a tax class
 */
export function fieldInWords(
  entry: LibraryEntry,
  field: SeveralField,
  className: (id: string) => string,
): string {
  if (entry.kind === 'bundle' || field === 'name' || field === 'code') return plainField(entry, field);
  switch (field) {
    case 'unit':
      return unitName(entry.unit);
    case 'taxClass':
      return className(entry.taxClass);
    case 'waste':
      return entry.waste === undefined ? 'none' : `${showDecimal(entry.waste)} %`;
    case 'pack':
      return entry.pack === undefined ? 'none' : `${showDecimal(entry.pack)} ${unitName(entry.unit)}`;
    case 'minimumCharge':
      return entry.minimumCharge === undefined ? 'none' : showDecimal(entry.minimumCharge);
    case 'costs':
      return showUnitAmount(itemUnitCost(entry.costs));
    case 'loads':
      return entry.loads === undefined
        ? 'as the proposal'
        : entry.loads.map(({ name, percent }) => `${name} ${showDecimal(percent)} %`).join(', ');
    case 'breaks':
      return entry.breaks === undefined ? 'none' : `${entry.breaks.steps.length} steps`;
    default:
      return plainField(entry, field);
  }
}

function plainField(entry: LibraryEntry, field: SeveralField): string {
  if (field === 'picture') return entry.picture ? 'a picture' : 'none';
  const value = (entry as Partial<Record<string, unknown>>)[field];
  return Array.isArray(value) ? value.join(', ') : typeof value === 'string' ? value : '';
}

/** What each field is called. */
export const severalFieldNames: Readonly<Record<SeveralField, string>> = {
  name: 'Name',
  code: 'Code',
  detail: 'What the customer reads below the name',
  trade: 'Trade',
  tags: 'Tags',
  unit: 'Unit',
  costs: 'Costs',
  loads: 'Markup',
  taxClass: 'Tax class',
  costCode: 'Cost code',
  waste: 'Waste',
  pack: 'Pack size',
  minimumCharge: 'Minimum charge',
  breaks: 'Price breaks',
  picture: 'Picture',
  supplierNote: 'Where it is bought',
  internalNote: 'Note of ours',
};

/** A change in words, as it is told afterwards: “Trade: Decks”, “Name: “2x6” for “2×6””. */
export function severalInWords(change: SeveralChange, className: (id: string) => string): string {
  const name = severalFieldNames[change.field];
  switch (change.field) {
    case 'name':
    case 'code':
    case 'detail':
    case 'internalNote':
    case 'supplierNote':
      return change.find === ''
        ? `${name}: ${change.put === '' ? 'nothing' : `“${change.put}”`}`
        : `${name}: “${change.put}” for “${change.find}”`;
    case 'tags':
      return `${name}: ${[...change.add.map((tag) => `+ ${tag}`), ...change.drop.map((tag) => `− ${tag}`)].join(', ')}`;
    case 'costs':
      return `${name}: ${change.percent.startsWith('-') ? '' : '+'}${change.percent} % on ${change.costTypes.join(', ')}`;
    case 'unit':
      return `${name}: ${unitName(change.set)}`;
    case 'taxClass':
      return `${name}: ${className(change.set)}`;
    case 'loads':
      return `${name}: ${change.set === null ? 'as the proposal' : change.set.map((load) => `${load.name} ${load.percent} %`).join(', ')}`;
    default:
      return `${name}: ${change.set === null || change.set === '' ? 'none' : change.set}`;
  }
}
