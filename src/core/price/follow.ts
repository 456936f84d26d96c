import type { Line } from '@/model';
import { FormulaError, formulaQuantity } from '../formula';
import { writeFixed } from '../number';
import type { Surroundings } from '../space';

export interface Followed {
  readonly quantity: string;
  /** Why the formula gives nothing; the quantity is then zero. */
  readonly trouble: string | null;
}

const known = new WeakMap<Line, { readonly surroundings: Surroundings; readonly followed: Followed }>();

/** The quantity of a line as it stands in its surroundings: typed, or what its formula comes to. */
export function followedQuantity(line: Line, surroundings: Surroundings): Followed {
  if (line.formula === undefined) return { quantity: line.quantity, trouble: null };
  const last = known.get(line);
  if (last && last.surroundings === surroundings) return last.followed;
  let followed: Followed;
  try {
    followed = {
      quantity: writeFixed(formulaQuantity(line.formula, line.unit, surroundings.scope)),
      trouble: null,
    };
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error;
    followed = { quantity: '0', trouble: error.message };
  }
  known.set(line, { surroundings, followed });
  return followed;
}
