import { memoLast } from '../collections/memoByIdentity';
import type { Line } from '@/model';
import { FormulaError, formulaQuantity } from '../formula';
import { writeFixed } from '../number';
import type { Surroundings } from '../space';

export interface Followed {
  readonly quantity: string;
  /** Why the formula gives nothing; the quantity is then zero. */
  readonly trouble: string | null;
}

const evaluated = memoLast((line: Line, surroundings: Surroundings, formula: string): Followed => {
  try {
    return {
      quantity: writeFixed(formulaQuantity(formula, line.unit, surroundings.scope)),
      trouble: null,
    };
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error;
    return { quantity: '0', trouble: error.message };
  }
});

/** The quantity of a line as it stands in its surroundings: typed, or what its formula comes to. */
export const followedQuantity = (line: Line, surroundings: Surroundings): Followed =>
  line.formula === undefined
    ? { quantity: line.quantity, trouble: null }
    : evaluated(line, surroundings, line.formula);
