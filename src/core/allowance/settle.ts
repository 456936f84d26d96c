import type { AllowanceRule } from '@/model';
import type { Amount, Fixed } from '../number';
import { ONE, divideRounded } from '../number';

/**
 * What an allowance is settled by. What is chosen is measured in the selling price (`at our price`, fee inside) or in cost
 * (`at cost …`).
 */
export interface AllowanceTerms {
  readonly rule: AllowanceRule;
  /** What the customer may spend, in the measure of the rule. */
  readonly amount: Amount;
  /** The fee as a margin: fee ÷ price, below one. */
  readonly fee: Fixed;
  /** With the fee on the excess: a rest gives its fee back too. */
  readonly feeOnRest: boolean;
}

/** An amount at cost with its fee as a margin: cost ÷ (1 − fee), rounded once. */
function withFee(cost: bigint, fee: Fixed): Amount {
  if (fee < 0n || fee >= ONE) throw new RangeError('A fee as a margin is at least 0 and below 100 %.');
  return divideRounded(cost * ONE, ONE - fee) as Amount;
}

/**
 * What selections to date change of the price: above zero the customer owes it, below zero they get it back.
 *
 * @param chosen sum of the signed selections to date, in the measure of the rule
 * @throws RangeError for a fee of 100 % or more
 * @example excess 700.00 at a fee margin of 30 % → 1,000.00; at cost with a fixed fee 3,150.00 against 2,400.00 → 750.00
 */
export function dueToDate({ rule, amount, fee, feeOnRest }: AllowanceTerms, chosen: Amount): Amount {
  const difference = chosen - amount;
  if (rule !== 'at cost, fee on the excess') return difference as Amount;
  return difference > 0n || feeOnRest ? withFee(difference, fee) : (difference as Amount);
}

/**
 * What is due while selections go on: nothing while money is left, since it may still be spent.
 * @param chosen sum of the selections to date, in the measure of the rule
 */
export const dueSoFar = (terms: AllowanceTerms, chosen: Amount): Amount =>
  chosen > terms.amount ? dueToDate(terms, chosen) : (0n as Amount);

export interface RoundStanding {
  /** Chosen in this round. */
  readonly chosen: Amount;
  /** Chosen to date, this round with it. */
  readonly toDate: Amount;
  /** What is left to spend after it; below zero it is exceeded. */
  readonly left: Amount;
  /** What this round changes of the price: due to date less due before. */
  readonly adjustment: Amount;
}

/**
 * Where an allowance stands after each round, in the order the rounds were signed. Before the first round nothing is due:
 * the rest counts as given back only as rounds are signed and, in full, when it is settled.
 * @param rounds what was chosen in each, in the measure of the rule
 */
export function standings(terms: AllowanceTerms, rounds: readonly Amount[]): RoundStanding[] {
  let toDate = 0n;
  let before = 0n;
  return rounds.map((chosen): RoundStanding => {
    toDate += chosen;
    const due = dueSoFar(terms, toDate as Amount);
    const adjustment = (due - before) as Amount;
    before = due;
    return { chosen, toDate: toDate as Amount, left: (terms.amount - toDate) as Amount, adjustment };
  });
}

/**
 * What settling adds beyond the adjustments of the rounds: the rest that was not chosen is given back. The adjustments
 * and the settlement together are what is due to date; after it the allowance stands at zero.
 * @param rounds what was chosen in each, in the measure of the rule
 */
export function settlement(terms: AllowanceTerms, rounds: readonly Amount[]): Amount {
  const chosen = rounds.reduce((sum, each) => sum + each, 0n) as Amount;
  const adjusted = standings(terms, rounds).reduce((sum, { adjustment }) => sum + adjustment, 0n);
  return (dueToDate(terms, chosen) - adjusted) as Amount;
}
