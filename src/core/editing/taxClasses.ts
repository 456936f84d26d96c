import type { Bundle, Line, PricedItem, ProposalDocument } from '@/model';

/** The line in a tax class of this proposal: its own where the proposal has it, else the proposal's first. */
export function taxedHere(document: ProposalDocument, line: Line): Line {
  const known = document.taxClasses.some(({ id }) => id === line.taxClass);
  return known ? line : { ...line, taxClass: document.taxClasses[0]!.id };
}

/** An item of the library with a tax class the document has: its own, else the first. */
export const itemTaxedHere = (document: ProposalDocument, item: PricedItem): PricedItem =>
  document.taxClasses.some(({ id }) => id === item.taxClass)
    ? item
    : { ...item, taxClass: document.taxClasses[0]!.id };

/** A bundle whose items stand in tax classes of this proposal. */
export function bundleTaxedHere(document: ProposalDocument, bundle: Bundle): Bundle {
  return {
    ...bundle,
    items: Object.fromEntries(
      Object.entries(bundle.items).map(([key, item]) => [key, itemTaxedHere(document, item)]),
    ),
  };
}
