import type { Discount, Fee, Line, Load, ProposalDocument, SpreadWay, TaxTerms } from '@/model';
import { writeFixed } from '../number';
import { parseQuantity } from '../quantity/parseQuantity';
import { findBundle, findLine } from './find';
import { PartGone, sectionOf } from './partGone';
import { fitting } from '../text/fitting';

/* Edits of how a proposal is priced: loads, discounts, fees and tax. */

/** Loads of a section instead of the proposal's, or (null) the proposal's again. */
export function setSectionLoads(document: ProposalDocument, sectionId: string, loads: Load[] | null): void {
  const section = sectionOf(document, sectionId);
  if (loads === null) delete section.loads;
  else section.loads = loads;
}

/**
 * Loads of a bundle instead of its section's, or (null) its section's again.
 * @throws PartGone where there is no such part
 */
export function setBundleLoads(document: ProposalDocument, bundleId: string, loads: Load[] | null): void {
  const bundle = findBundle(document, bundleId)?.bundle;
  if (!bundle) throw new PartGone(bundleId);
  if (loads === null) delete bundle.loads;
  else bundle.loads = loads;
}

/** A discount on a section, or (null) none. */
export function setSectionDiscount(
  document: ProposalDocument,
  sectionId: string,
  discount: Discount | null,
): void {
  const section = sectionOf(document, sectionId);
  if (discount === null) delete section.discount;
  else section.discount = discount;
}

/**
 * Changes one load of the proposal, adds one behind the others, or (null) takes one away.
 * @throws PartGone where there is no such part
 */
export function setLoad(
  document: Pick<ProposalDocument, 'loads'>,
  id: string,
  change: Partial<Load> | null,
): void {
  const at = document.loads.findIndex((load) => load.id === id);
  if (change === null) {
    if (at < 0) throw new PartGone(id);
    document.loads.splice(at, 1);
  } else if (at >= 0) {
    const next = { ...document.loads[at]!, ...change };
    if (next.costTypes?.length === 0) delete next.costTypes;
    document.loads[at] = next;
  } else
    document.loads.push({ id, name: 'Overhead', kind: 'overhead', percent: '0', base: 'direct', ...change });
}

/**
 * Moves a load before the one above it (−1) or behind the one below (1); at the end of the list it stays.
 * @throws PartGone where there is no such part
 */
export function moveLoad({ loads }: Pick<ProposalDocument, 'loads'>, id: string, by: 1 | -1): void {
  const at = loads.findIndex((load) => load.id === id);
  if (at < 0) throw new PartGone(id);
  const to = at + by;
  if (to < 0 || to >= loads.length) return;
  const [load] = loads.splice(at, 1);
  loads.splice(to, 0, load!);
}

/**
 * A discount with another reason, or (empty) none; the customer reads it.
 * @throws TooLong where it is
 */
export function withReason({ reason: _, ...discount }: Discount, text: string): Discount {
  const reason = fitting(text, 200).trim();
  return reason === '' ? discount : { ...discount, reason };
}

/**
 * Adds a fee, changes one, or (null) takes one away.
 * @throws PartGone where there is no such part
 */
export function setFee(document: ProposalDocument, id: string, change: Partial<Fee> | null): void {
  const at = document.fees.findIndex((fee) => fee.id === id);
  if (change === null) {
    if (at < 0) throw new PartGone(id);
    document.fees.splice(at, 1);
  } else if (at >= 0) document.fees[at] = { ...document.fees[at]!, ...change };
  else
    document.fees.push({
      id,
      name: 'Fee',
      amount: { fixed: '0' },
      taxClass: document.taxClasses.at(-1)!.id,
      ...change,
    });
}

/** How tax is reckoned; what is null goes back to the usual way. */
export function setTaxTerms(
  document: ProposalDocument,
  change: {
    readonly rounding?: 'line' | null;
    readonly inside?: true | null;
    readonly shown?: 'with tax' | null;
    readonly exempt?: string | null;
  },
): void {
  const next: TaxTerms = { ...document.tax };
  if (change.rounding !== undefined) {
    if (change.rounding === null) delete next.rounding;
    else next.rounding = change.rounding;
  }
  if (change.inside !== undefined) {
    if (change.inside === null) delete next.inside;
    else next.inside = true;
  }
  if (change.shown !== undefined) {
    if (change.shown === null) delete next.shown;
    else next.shown = change.shown;
  }
  if (change.exempt !== undefined) {
    if (change.exempt === null) delete next.exempt;
    else next.exempt = { reason: fitting(change.exempt, 200) || 'Exempt' };
  }
  if (Object.keys(next).length === 0) delete document.tax;
  else document.tax = next;
}

/**
 * Changes a component of a tax class: its rate, or whether it is reckoned on top of those before it.
 * @throws PartGone where there is no such part
 */
export function setTaxComponent(
  document: ProposalDocument,
  taxClassId: string,
  componentId: string,
  change: { readonly percent?: string; readonly onTop?: boolean },
): void {
  const component = document.taxClasses
    .find(({ id }) => id === taxClassId)
    ?.components.find(({ id }) => id === componentId);
  if (!component) throw new PartGone(componentId);
  if (change.percent !== undefined) component.percent = change.percent;
  if (change.onTop === true) component.onTop = true;
  else if (change.onTop === false) delete component.onTop;
}

/** Says how the sum of a change order is put on the payments of its agreement. */
export function setSpread(document: ProposalDocument, spread: SpreadWay): void {
  if (document.change) document.change.spread = spread;
}

function lineAt(document: ProposalDocument, id: string): Line {
  const found = findLine(document, id);
  if (!found) throw new PartGone(id);
  return found.line;
}

/**
 * Sets the quantity we think will be measured in the end; empty text goes back to the offered one.
 * @throws FormulaError for text that is no quantity
 */
export function setExpected(document: ProposalDocument, lineId: string, typed: string): void {
  const line = lineAt(document, lineId);
  if (typed.trim() === '') delete line.expected;
  else line.expected = writeFixed(parseQuantity(typed));
}

/** Takes something off a line, or (null) nothing any more. */
export function setLineDiscount(
  document: ProposalDocument,
  lineId: string,
  discount: Line['discount'] | null,
): void {
  const line = lineAt(document, lineId);
  if (discount === null || discount === undefined) delete line.discount;
  else line.discount = discount;
}

/**
 * Takes something off a bundle, or (null) nothing any more.
 * @throws PartGone where there is no such part
 */
export function setBundleDiscount(
  document: ProposalDocument,
  bundleId: string,
  discount: Discount | null,
): void {
  const bundle = findBundle(document, bundleId)?.bundle;
  if (!bundle) throw new PartGone(bundleId);
  if (discount === null) delete bundle.discount;
  else bundle.discount = discount;
}
