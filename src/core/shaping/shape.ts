import type { Choices, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import type { Amount, Fixed } from '../number';
import type { Figures } from '../price';
import { computeFigures } from '../price';
import type { Goal, Target } from './goal';
import { TargetError, goalOf } from './goal';
import { closeIn } from './closeIn';
import type { Spread } from './free';
import { costPrice, freeLines } from './free';
import type { Prices } from './prices';
import { withPrices } from './prices';
import { spreadOver } from './spread';

export interface Ask {
  readonly target: Target;
  readonly spread: Spread;
  /** The lines that carry it; without them, every line whose price is not held. */
  readonly on?: ReadonlySet<string> | null;
  /** Lines that do not carry it go to cost alone. */
  readonly atCost?: boolean;
}

export interface PriceMove {
  readonly id: string;
  readonly description: string;
  readonly before: Fixed;
  readonly after: Fixed;
}

export interface Shaped {
  readonly document: ProposalDocument;
  readonly figures: Figures;
  readonly goal: Goal;
  readonly moves: readonly PriceMove[];
  /** Goal less what is reached; zero when it is exact. */
  readonly missing: Amount;
  /** Where it is not exact: the smallest step of a price jumps over it, by the rounding of discounts, tax and fees. */
  readonly proved: boolean;
}

/**
 * Shapes the prices of a proposal to a target: spreads it over the lines that may carry it, rounds every unit price to
 * its places, and then moves as few of them as little as it takes to meet the target exactly. Held prices never move.
 * Nothing is changed: the answer is a preview.
 *
 * @throws TargetError when no line may carry it, or what is held is more than the target
 * @example 120 × 8.10, 36 × 41.25, 1 × 960.00 to 4,200.00 by even share: 9.96, 50.70, 1,179.60
 */
export function shapePrices(document: ProposalDocument, ask: Ask, choices: Choices = asSuggested): Shaped {
  // What an earlier shaping set is free again; it is what is there before, though, for a spread by price.
  const now = computeFigures(document, choices);
  const goal = goalOf(ask.target, document, now);
  const all = freeLines(now);
  const carry = all.filter(
    ({ id, cost }) => (ask.on?.has(id) ?? true) && (ask.spread !== 'cost' || cost.top > 0n),
  );
  if (carry.length === 0)
    throw new TargetError(
      all.length === 0
        ? 'Every price is a fixed price: release one to shape it.'
        : 'No line is chosen that could carry it.',
    );
  const fixed = new Map<string, Fixed | null>();
  if (ask.atCost) for (const line of all) if (!carry.includes(line)) fixed.set(line.id, costPrice(line));
  const base = withPrices(document, fixed);
  const spread = spreadOver(base, choices, carry, ask.spread, goal, ask.atCost === true);
  const { prices, figures, missing, proved } = closeIn(base, choices, carry, spread, goal);

  const set: Prices = new Map([...fixed, ...prices]);
  const shaped = withPrices(document, set);
  const moves = all.flatMap(({ id, figures: line }): PriceMove[] => {
    const after = set.get(id);
    return after == null || after === line.unitPrice
      ? []
      : [{ id, description: line.line.description, before: line.unitPrice, after }];
  });
  return { document: shaped, figures, goal, moves, missing, proved };
}
