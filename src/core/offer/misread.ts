import type { Line, PricedItem, ProposalDocument } from '@/model';
import { bundlesOf, linesOf } from '../choice';
import { FormulaError, formulaQuantity } from '../formula';
import { parseFixed } from '../number';
import { parseQuantity } from '../quantity';
import type { DocumentProblem } from './validateDocument';

/** How a typed number may be meant: it keeps the signs of where it was typed. */
const locales = ['en-US', 'de-DE', 'fr-FR', 'de-CH'] as const;

/** Whether what was typed comes to the quantity that counts, by any of the ways numbers are written. */
function fitsTyped(typed: string, quantity: string, unit: Line['unit']): boolean {
  const wanted = parseFixed(quantity);
  const comes = (read: () => bigint) => {
    try {
      return read() === wanted;
    } catch (error) {
      if (error instanceof FormulaError) return false;
      throw error;
    }
  };
  return (
    locales.some((locale) => comes(() => parseQuantity(typed, 3, { locale }))) ||
    (/[a-z]\s*\(/.test(typed) && comes(() => formulaQuantity(typed, unit, () => undefined)))
  );
}

let known: ReadonlySet<string> | null = null;
/** The currencies of ISO 4217, as the platform lists them. */
const currencies = () => (known ??= new Set(Intl.supportedValuesOf('currency')));

/**
 * What a document says in two ways that do not agree, or means nothing by: it can be stored and mended, but not sent, and no
 * figures are printed of it.
 */
export function misread(document: ProposalDocument): DocumentProblem[] {
  const problems: DocumentProblem[] = [];
  const open = (partId: string | null, message: string) => problems.push({ partId, message, weight: 'open' });
  if (!currencies().has(document.currency))
    open(null, `There is no currency “${document.currency}” in ISO 4217.`);
  const priced = (partId: string, { description, breaks, costs }: PricedItem) => {
    if (!breaks) return;
    const froms = breaks.steps.map(({ from }) => parseFixed(from));
    if (new Set(froms).size < froms.length)
      open(partId, `“${description}” has two price breaks at one quantity.`);
    if (!costs.some(({ type }) => type === breaks.costType))
      open(partId, `“${description}” has price breaks on ${breaks.costType}, and no such cost.`);
  };
  for (const section of document.sections) {
    for (const line of linesOf(section)) {
      priced(line.id, line);
      if (line.quantityTyped !== undefined && !fitsTyped(line.quantityTyped, line.quantity, line.unit))
        open(
          line.id,
          `“${line.description}” was typed as ${line.quantityTyped}, which is not its quantity of ${line.quantity}.`,
        );
    }
    for (const bundle of bundlesOf(section))
      for (const item of Object.values(bundle.items)) priced(bundle.id, item);
  }
  return problems;
}
