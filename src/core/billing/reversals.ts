import { isBelowZero } from '../number';

/** How a payment is gone: returned by the bank or the card’s holder; void: recorded by mistake, it never came. */
export interface Gone {
  readonly kind: 'returned' | 'void';
  readonly reason: string;
}

/** How and why a payment is gone; null: it is here, or was reinstated. */
export function stillGone(reversals: readonly (Gone & { readonly amount: string })[]): Gone | null {
  const went = reversals.filter(({ amount }) => !isBelowZero(amount));
  if (went.length <= reversals.length - went.length) return null;
  const { kind, reason } = went.at(-1)!;
  return { kind, reason };
}
