import type { Choices, ProposalDocument } from '@/model';
import type { Fixed } from '../number';
import { powerOfTen } from '../number';
import { computeFigures } from '../price';
import type { Goal } from './goal';
import { TargetError } from './goal';
import { withPrices } from './prices';
import type { FreeLine, Spread } from './free';
import { measureOf, rounded } from './free';
import { smoothly, solve } from './smooth';

/** Parts of one in which the common factor is applied. */
const FINE = 10n ** 12n;

/**
 * Unit prices that share a goal out: each a common factor times its cost or its price, or its price and the same amount
 * more on every line. The factor is worked out on what the prices come to before rounding; each price is then rounded to
 * its places, so the goal is met but for roundings.
 *
 * @param fromCost prices start from cost, not from what they are now
 * @throws TargetError when prices would have to fall below zero
 */
export function spreadOver(
  document: ProposalDocument,
  choices: Choices,
  carry: readonly FreeLine[],
  spread: Spread,
  goal: Goal,
  fromCost: boolean,
): Map<string, Fixed> {
  const digits = computeFigures(document, choices).minorDigits;
  const start = (line: FreeLine) =>
    spread === 'cost' || fromCost ? line.cost : { top: line.figures.unitPrice as bigint, bottom: 1n };
  const priceAt = (line: FreeLine, factor: bigint): Fixed => {
    const { top, bottom } = start(line);
    if (spread !== 'even') return rounded(top * factor, bottom * FINE, line.places);
    // The same amount on every line, in minor units, over its quantity.
    const { quantity } = line.figures;
    const more = factor * powerOfTen(12 - digits);
    return rounded(top * quantity * FINE + more * bottom, bottom * quantity * FINE, line.places);
  };
  const amountAt = (line: FreeLine, factor: number): number => {
    const { top, bottom } = start(line);
    const amount =
      (Number(top) / Number(bottom) / 1e6) * (Number(line.figures.quantity) / 1e6) * 10 ** digits;
    return spread === 'even' ? amount + factor : amount * factor;
  };
  const smooth = smoothly(document, choices, carry, goal);
  let wanted = Number(goal.amount);
  let prices = new Map<string, Fixed>();
  // What the smooth way takes too simply (a bundle's own discount, a minimum) is put right by aiming off by as much.
  for (let round = 0; round < 6; round += 1) {
    const factor = solve(
      (at) => smooth((line) => amountAt(line, at)),
      wanted,
      spread === 'even' ? [0, 100] : [1, 1.1],
    );
    if (!Number.isFinite(factor)) throw new TargetError('What does not move is in the way of this target.');
    const exact = BigInt(Math.round(factor * Number(FINE)));
    const next = new Map(carry.map((line) => [line.id, priceAt(line, exact)] as const));
    if ([...next.values()].some((price) => price < 0n))
      throw new TargetError(
        'The fixed prices, with fees and discounts, come to more than the target: the others would fall below zero.',
      );
    const off = Number(goal.amount - measureOf(computeFigures(withPrices(document, next), choices), goal));
    const better = round === 0 || Math.abs(off) < Math.abs(Number(goal.amount) - wanted);
    prices = better || round === 0 ? next : prices;
    // Roundings are for the last step; anything larger was not seen by the smooth way.
    if (Math.abs(off) <= roundings(carry, digits)) return next;
    wanted += off;
  }
  return prices;
}

/** By how much roundings alone can take a goal off, in minor units. */
const roundings = (carry: readonly FreeLine[], digits: number): number =>
  2 +
  carry.reduce(
    (sum, { figures, places }) =>
      sum + 0.5 + (Number(figures.quantity) / 1e6) * 0.5 * 10 ** (digits - places) * 1.5,
    0,
  );
