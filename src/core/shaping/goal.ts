import type { ProposalDocument } from '@/model';
import type { Amount } from '../number';
import { ONE, divideRounded, minorDigits, parseAmount, parsePercent } from '../number';
import type { Figures } from '../price';

/** What a proposal is to come to. */
export type Target =
  | { readonly kind: 'total'; readonly amount: string }
  | { readonly kind: 'markup'; readonly percent: string }
  | { readonly kind: 'margin'; readonly percent: string };

/** The figure to hit, and its amount. */
export interface Goal {
  readonly of: 'total' | 'beforeTax';
  readonly amount: Amount;
}

/** A target cannot be reached by any price; the message is a sentence. */
export class TargetError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'TargetError';
  }
}

/**
 * A target as an amount: a total as it is; a markup or margin as the price before tax that has it on the cost there is,
 * rounded to the minor unit. Markup k and margin m: price = cost × (1 + k) = cost ÷ (1 − m).
 * @throws TargetError for a margin of 100 % or more
 */
export function goalOf(target: Target, document: ProposalDocument, { cost }: Pick<Figures, 'cost'>): Goal {
  if (target.kind === 'total')
    return { of: 'total', amount: parseAmount(target.amount, minorDigits(document.currency)) };
  const rate = parsePercent(target.percent);
  if (target.kind === 'markup')
    return { of: 'beforeTax', amount: divideRounded(cost * (ONE + rate), ONE) as Amount };
  if (rate >= ONE) throw new TargetError('A margin is below 100 %.');
  return { of: 'beforeTax', amount: divideRounded(cost * ONE, ONE - rate) as Amount };
}
