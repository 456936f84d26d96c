import type { Bundle, Line, PricesGiven, ProposalDocument } from '@/model';
import { sizeBundle } from '../bundle';
import { writeFixed } from '../number';
import { surroundingsIn } from '../space';
import { pricedLine } from './allowanceLine';
import { atGrade, partsOf } from './decided';
import { followedQuantity } from './follow';
import { priceKey } from './given';
import { lineFigures } from './line';
import { pricingOf } from './pricing';
import { bundleLines } from './section';

/**
 * The unit prices of a document, computed from its costs: of every line at its offered quantity, whether or not the choices
 * take it in, and of the parts of every bundle at each of its grades. Rounded as they are shown.
 *
 * @param document with its costs
 * @returns by the key of each line; prices typed by hand or shaped, and allowances, are in the document itself
 */
export function pricesOf(document: ProposalDocument): PricesGiven {
  const pricing = pricingOf(document);
  const prices: Record<string, string> = {};
  for (const section of document.sections) {
    const take = (entry: Line | Bundle): void => {
      const around = surroundingsIn(pricing, section, entry);
      if (entry.kind === 'line') {
        if (entry.allowance || (entry.heldPrice ?? entry.shapedPrice) !== undefined) return;
        const { quantity } = followedQuantity(entry, around);
        const { unitPrice } = lineFigures(pricedLine(entry, pricing), quantity, pricing, section.loads);
        prices[priceKey(entry)] = writeFixed(unitPrice);
        return;
      }
      for (const grade of new Set([entry.grade, ...entry.recipe.grades.map(({ id }) => id)])) {
        const bundle = atGrade(entry, grade);
        for (const { line, unitPrice, held, shaped } of bundleLines(
          bundle,
          sizeBundle(bundle, around),
          pricing,
          section.loads,
        ))
          if (!held && !shaped) prices[priceKey(line, bundle)] = writeFixed(unitPrice);
      }
    };
    for (const entry of section.entries) partsOf(entry).forEach(take);
  }
  return prices;
}

/** Those of the prices after a change that are not what they were before. */
export function pricesMoved(before: PricesGiven, after: PricesGiven): PricesGiven {
  return Object.fromEntries(
    Object.entries(after).filter(([key, price]) => !Object.hasOwn(before, key) || before[key] !== price),
  );
}
