import type { ProposalDocument } from '@/model';
import { writeAmount } from '../number';
import { computeFigures } from '../price';

/** The total of a document as suggested, as decimal text. */
export function suggestedTotal(document: ProposalDocument): string {
  const figures = computeFigures(document);
  return writeAmount(figures.total, figures.minorDigits);
}
