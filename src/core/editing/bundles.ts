import type { Measuring } from '@/model';
import { inMeters, measuringOf } from '../space';
import type { Bundle, Line, PartChange, PricedItem, ProposalDocument } from '@/model';
import { roundFixed, writeFixed } from '../number';
import { parseQuantity } from '../quantity';
import { readFormula } from '../formula';
import { findBundle } from './find';
import { PartGone, sectionOf } from './partGone';
import { bundleTaxedHere, itemTaxedHere, taxedHere } from './taxClasses';
import { fitting } from '../text/fitting';

/* Edits of bundles in a proposal. None of them touches the library. */

function bundleOf(document: ProposalDocument, id: string): Bundle {
  const found = findBundle(document, id);
  if (!found) throw new PartGone(id);
  return found.bundle;
}

/** Puts a bundle at the end of a section, or behind the entry named. */
export function addBundle(
  document: ProposalDocument,
  sectionId: string,
  bundle: Bundle,
  afterId?: string,
): void {
  const section = sectionOf(document, sectionId);
  const at = afterId === undefined ? -1 : section.entries.findIndex((entry) => entry.id === afterId);
  section.entries.splice(at < 0 ? section.entries.length : at + 1, 0, bundleTaxedHere(document, bundle));
}

/**
 * Types an input of a bundle: a quantity, a formula over the section's space, yes or no, or one of the options; empty
 * text lets the space or the default size it again.
 */
export function setBundleValue(
  document: ProposalDocument,
  bundleId: string,
  input: string,
  typed: string,
): void {
  const bundle = bundleOf(document, bundleId);
  if (typed.trim() === '') delete bundle.values[input];
  else bundle.values[input] = valueAsTyped(bundle, input, typed, measuringOf(document));
}

/** A typed value of an input; a bare one is in meters where the document is. */
export function valueAsTyped(
  { recipe }: Pick<Bundle, 'recipe'>,
  name: string,
  typed: string,
  measuring: Measuring,
): string {
  const kind = recipe.inputs.find((each) => each.name === name)?.kind;
  return measuring === 'us' || (kind !== 'length' && kind !== 'area')
    ? typed.trim()
    : inMeters(typed, kind === 'length' ? 1 : 2);
}

/** Changes what a bundle is called, says, shows or which grade it has; empty text clears what may be empty. */
export function setBundle(
  document: ProposalDocument,
  bundleId: string,
  change: {
    readonly name?: string;
    readonly detail?: string;
    readonly internalNote?: string;
    readonly open?: string;
    readonly phase?: string;
    readonly grade?: string;
    readonly shows?: Bundle['shows'];
    readonly extra?: Bundle['extra'] | null;
  },
): void {
  const bundle = bundleOf(document, bundleId);
  const { name, grade, shows, extra } = change;
  if (name !== undefined && name.trim() !== '') bundle.name = fitting(name, 200);
  for (const field of ['detail', 'internalNote', 'open', 'phase'] as const) {
    const text = change[field];
    if (text === undefined) continue;
    if (text.trim() === '') delete bundle[field];
    else bundle[field] = text.trim();
  }
  if (grade !== undefined) bundle.grade = grade;
  if (shows !== undefined) bundle.shows = shows;
  if (extra === null) delete bundle.extra;
  else if (extra !== undefined) bundle.extra = extra;
}

/** What may be typed into a part of a bundle on one job; empty text takes that change back. */
export interface PartEdit {
  readonly out?: boolean;
  readonly description?: string;
  readonly quantity?: string;
  readonly typedCost?: string;
  readonly heldPrice?: string;
  readonly overtime?: boolean;
  readonly item?: PricedItem;
}

/**
 * Changes a part of a bundle for this job only; the recipe stays as it is, so that the change shows and can be taken
 * back.
 * @param path part ids from the outer bundle inwards, with dots between
 * @throws FormulaError for text that cannot be read
 */
export function changePart(document: ProposalDocument, bundleId: string, path: string, edit: PartEdit): void {
  const bundle = bundleOf(document, bundleId);
  const change: PartChange = { ...bundle.changes[path] };
  const typed = (field: 'description' | 'quantity', text: string | undefined) => {
    if (text === undefined) return;
    if (text.trim() === '') delete change[field];
    else change[field] = text.trim();
  };
  if (edit.quantity !== undefined && edit.quantity.trim() !== '') readFormula(edit.quantity.trim());
  typed('description', edit.description);
  typed('quantity', edit.quantity);
  if (edit.typedCost !== undefined) {
    if (edit.typedCost.trim() === '') delete change.typedCost;
    else change.typedCost = writeFixed(parseQuantity(edit.typedCost, 4));
  }
  if (edit.heldPrice !== undefined) {
    delete change.shapedPrice;
    if (edit.heldPrice.trim() === '') delete change.heldPrice;
    else change.heldPrice = writeFixed(roundFixed(parseQuantity(edit.heldPrice, 4), 2));
  }
  if (edit.out !== undefined) {
    if (edit.out) change.out = true;
    else delete change.out;
  }
  if (edit.overtime !== undefined) {
    if (edit.overtime) change.overtime = true;
    else delete change.overtime;
  }
  if (edit.item !== undefined) change.item = itemTaxedHere(document, edit.item);
  if (Object.keys(change).length === 0) delete bundle.changes[path];
  else bundle.changes[path] = change;
}

/** Takes back every change of a part. */
export function revertPart(document: ProposalDocument, bundleId: string, path: string): void {
  delete bundleOf(document, bundleId).changes[path];
}

/** Adds a line to a bundle for this job only. */
export function addToBundle(document: ProposalDocument, bundleId: string, line: Line): void {
  bundleOf(document, bundleId).added.push(taxedHere(document, line));
}

/**
 * Takes a bundle's recipe and items anew, as the library has them now. Name, typed inputs, grade (where it still is
 * there), changes of parts that are still there, and what was added on this job stay.
 */
export function refreshBundle(
  document: ProposalDocument,
  bundleId: string,
  fresh: Pick<Bundle, 'recipe' | 'within' | 'items' | 'edition'>,
): void {
  const bundle = bundleOf(document, bundleId);
  const { items } = bundleTaxedHere(document, { ...bundle, ...fresh });
  bundle.recipe = fresh.recipe;
  bundle.within = fresh.within;
  bundle.items = items;
  if (fresh.edition !== undefined) bundle.edition = fresh.edition;
  const inputs = new Set(fresh.recipe.inputs.map(({ name }) => name));
  for (const name of Object.keys(bundle.values)) if (!inputs.has(name)) delete bundle.values[name];
  const parts = new Set(fresh.recipe.parts.map(({ id }) => id));
  for (const path of Object.keys(bundle.changes))
    if (!parts.has(path.split('.')[0]!)) delete bundle.changes[path];
  if (!fresh.recipe.grades.some(({ id }) => id === bundle.grade)) delete bundle.grade;
}
