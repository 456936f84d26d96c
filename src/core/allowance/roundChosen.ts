import type { Allowance, Choices, SelectionRound } from '@/model';
import type { Amount } from '../number';
import { parseAmount, parseFixed } from '../number';
import type { RoundFigures } from './round';
import { roundFigures } from './round';
import { dueSoFar } from './settle';
import { termsOf } from './terms';

/** An allowance as its customer chooses against it; amounts in the measure of its rule. */
export interface SpentAllowance {
  readonly terms: Pick<Allowance, 'rule' | 'fee' | 'feeOnRest'>;
  readonly quantity: string;
  /** What may be spent in all. */
  readonly spend: string;
  /** What was signed for before. */
  readonly chosen: string;
}

/** A round while it is chosen in. */
export interface RoundChosen {
  readonly figures: RoundFigures;
  readonly spend: Amount;
  /** What is left of the allowance after this round; below zero it is exceeded. */
  readonly left: Amount;
  /** What is added to the price, before tax; null while the allowance is not exceeded. */
  readonly due: Amount | null;
}

/**
 * What a round comes to under choices, and what that makes of its allowance, earlier rounds counted.
 * @param minorDigits decimals of the currency
 */
export function roundChosen(
  allowance: SpentAllowance,
  round: SelectionRound,
  choices: Choices,
  minorDigits: number,
): RoundChosen {
  const figures = roundFigures(round, choices, { quantity: parseFixed(allowance.quantity), minorDigits });
  const spend = parseAmount(allowance.spend, minorDigits);
  const chosen = (parseAmount(allowance.chosen, minorDigits) + figures.chosen) as Amount;
  const left = (spend - chosen) as Amount;
  return { figures, spend, left, due: left < 0n ? dueSoFar(termsOf(allowance.terms, spend), chosen) : null };
}

/** Two sets of choices in content, whatever the order of their parts. */
export function choicesAlike(one: Choices, other: Choices): boolean {
  const text = ({ extras, questions }: Choices) =>
    JSON.stringify([
      Object.entries(questions).sort(),
      Object.entries(extras)
        .map(([id, { in: taken, quantity }]) => [id, taken, quantity ?? null])
        .sort(),
    ]);
  return text(one) === text(other);
}
