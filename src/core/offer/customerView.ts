import type { Change, Choices, CustomerView, ProposalDocument } from '@/model';
import type { Reckoned } from '../customerView';
import { basisOf, viewOf } from '../customerView';
import { computeFigures } from '../price';
import { compareViews } from './compare';
import { offerOf } from './offerOf';

/** The whole computation, as far as a customer's view hangs on it. */
export function reckonDocument(document: ProposalDocument, choices: Choices): Reckoned {
  const { sections, discount, discountShares, fees, taxes, taxTotal, total } = computeFigures(
    document,
    choices,
  );
  return { sections, discount, discountShares, fees, taxes, taxTotal, total };
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

interface Read {
  readonly document: ProposalDocument;
  readonly choices: Choices;
}

/** A document that is read on the basis of another: before tax, or with it. */
function readLike(document: ProposalDocument, { tax: wanted }: ProposalDocument): ProposalDocument {
  if (document.tax?.shown === wanted?.shown) return document;
  const { shown: _, ...tax } = document.tax ?? {};
  return { ...document, tax: wanted?.shown ? { ...tax, shown: wanted.shown } : tax };
}

/**
 * What a customer reads differently from one state of an offer to another, each under its choices; both with prices as the
 * newer shows them, so that no price changes by the way it is shown.
 */
export function changesRead(before: Read, after: Read): Change[] {
  const was = basisOf(before.document);
  const is = basisOf(after.document);
  const changes = compareViews(
    customerView(readLike(before.document, after.document), before.choices),
    customerView(after.document, after.choices),
  );
  return was === is ? changes : [...changes, { what: 'Prices are shown', before: was, after: is }];
}
