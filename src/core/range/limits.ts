import type { PriceLimits, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { choicesInWords, menuOf } from '../choice';
import { groupFigures } from '../insight';
import type { Fixed } from '../number';
import { parsePercent, ratio, showPercent } from '../number';
import { computeFigures, discountsOf } from '../price';
import { rangeOf } from './range';

/** Something a proposal may not be sent with unless the owner says yes; a sentence for both. */
export interface Crossed {
  readonly kind: 'margin' | 'trade' | 'discount' | 'everything';
  readonly message: string;
}

/** Who sends, as far as limits go. */
export interface Sender {
  /** The most they take off by themselves, in percent; null: what the company says; `any`: no limit. */
  readonly discount: string | null;
  /** Whether they send by themselves what crosses no limit. */
  readonly alone: boolean;
}

const below = (margin: Fixed | null, least: string | undefined): boolean =>
  margin !== null && least !== undefined && margin < parsePercent(least);

/** A change order as far as something is sold with it: what it leaves out and settles was priced before. */
function withoutOmissions(document: ProposalDocument): ProposalDocument {
  const sold = (entry: ProposalDocument['sections'][number]['entries'][number]) =>
    entry.kind !== 'line' || (!entry.omits && entry.settles === undefined);
  return {
    ...document,
    sections: document.sections.map((section) => ({ ...section, entries: section.entries.filter(sold) })),
  };
}

/**
 * What of a company's limits a proposal crosses: the margin floor in any combination its customer could choose, the floor
 * of a trade (as suggested and in the combination with the lowest margin), and, for who sends it, the most they may take off.
 *
 * @param sender whose own limits count
 */
export function limitsCrossed(given: ProposalDocument, limits: PriceLimits, sender: Sender): Crossed[] {
  const document = given.change ? withoutOmissions(given) : given;
  const crossed: Crossed[] = [];
  // Only where a floor is set is it worth looking through all combinations.
  const floors = limits.margin !== undefined || Object.keys(limits.byTrade ?? {}).length > 0;
  const worst = floors ? rangeOf(document).lowestMargin : null;
  if (worst && below(worst.margin, limits.margin)) {
    const words = choicesInWords(menuOf(document), worst.choices).join(', ') || 'as suggested';
    crossed.push({
      kind: 'margin',
      message: `The margin can fall to ${showPercent(worst.margin!)} %, below ${limits.margin} %: ${words}.`,
    });
  }
  const figures = computeFigures(document, asSuggested);
  for (const [trade, least] of Object.entries(limits.byTrade ?? {})) {
    const margins = [figures, ...(worst ? [computeFigures(document, worst.choices)] : [])].flatMap((each) =>
      groupFigures(each, 'trade')
        .filter(({ name }) => name === trade)
        .map(({ net, cost }) => ratio(net - cost, net)),
    );
    const lowest = margins.filter((margin) => margin !== null).sort((a, b) => (a < b ? -1 : 1))[0] ?? null;
    if (below(lowest, least))
      crossed.push({
        kind: 'trade',
        message: `${trade} earns ${showPercent(lowest!)} %, below its ${least} %.`,
      });
  }
  const off = ratio(discountsOf(figures), figures.priced);
  const most = sender.discount === 'any' ? undefined : (sender.discount ?? limits.discount);
  if (off !== null && most !== undefined && off > parsePercent(most))
    crossed.push({
      kind: 'discount',
      message: `Discounts take off ${showPercent(off)} % of the prices; a seller may give ${most} %.`,
    });
  if (!sender.alone)
    crossed.push({ kind: 'everything', message: 'Each offer of yours is approved before it goes.' });
  return crossed;
}
