import type { Choices, CustomerView, ProposalDocument } from '@/model';
import type { Reckoned } from '../customer';
import { viewOf } from '../customer';
import { computeFigures } from '../price';
import { offerOf } from './offerOf';

/** The whole computation, as far as a customer's view hangs on it. */
export function reckonDocument(document: ProposalDocument, choices: Choices): Reckoned {
  const { sections, discount, fees, taxes, taxTotal, total } = computeFigures(document, choices);
  return { sections, discount, fees, taxes, taxTotal, total };
}

/**
 * What a customer may see: the document under their choices, as much of it as the document says may be shown, and never
 * a cost, a margin or a note of ours. Shown amounts add up to the total.
 *
 * @param today the day, where dates until which something can be decided count
 */
export const customerView = (
  document: ProposalDocument,
  choices: Choices,
  today: string | null = null,
): CustomerView =>
  viewOf(offerOf(document), { choices, reckon: (other) => reckonDocument(document, other), today });
