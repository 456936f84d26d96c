import type { Dimension } from '@/model';
import { FormulaError, evaluate, readFormula } from '../formula';
import type { Ratio } from '../number';
import { parseFixed, reduced } from '../number';

/** A stored length in feet as an exact ratio. */
export const fromText = (value: string): Ratio => reduced(parseFixed(value), 1_000_000n);

/** A length in feet, exactly as it was typed: 10' 8" is 32/3 ft. The value kept beside it counts where there is no text. */
export function exactFeet({ value, typed }: Dimension): Ratio {
  if (typed === undefined) return fromText(value);
  try {
    const read = evaluate(readFormula(typed, { names: false }), () => undefined);
    return read.kind === 'number' && read.ratio.top >= 0n ? read.ratio : fromText(value);
  } catch (error) {
    if (error instanceof FormulaError) return fromText(value);
    throw error;
  }
}
