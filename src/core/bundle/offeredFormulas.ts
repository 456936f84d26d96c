import type { BundleInput, UnitCode } from '@/model';
import type { Scope } from '../formula';
import { FormulaError, formulaQuantity } from '../formula';
import type { Fixed } from '../number';
import { divideRounded, writeFixed } from '../number';

/** What quantities of a room usually go by: areas, lengths, and pieces set along them. */
const AREAS = ['floor', 'walls', 'walls + ceiling'];
const LENGTHS = ['perimeter', 'length', 'width', 'height', '2 * length', '2 * width', 'length + width'];
const SPACINGS = ['12in', '16in', '24in', '4ft', '6ft', '8ft'];
const ALONG = ['length', 'width', 'perimeter'];

/** How many formulas are offered for one quantity. */
const MOST = 6;
/** A share of more or less than this of something is no share of it, but chance. */
const [LEAST_SHARE, MOST_SHARE] = [50n, 150n];
/** Of a count, one piece fits many spacings: below this a match says nothing. */
const FEWEST_PIECES = 3_000_000n;

/** A formula for a quantity that comes to it exactly. */
function* formulas(names: readonly Pick<BundleInput, 'name' | 'kind'>[]): Generator<string> {
  const own = (kind: BundleInput['kind']) =>
    names.filter((each) => each.kind === kind).map(({ name }) => name);
  yield* own('count');
  yield* own('number');
  yield* own('area');
  yield* AREAS;
  yield* own('length');
  yield* LENGTHS;
}

function* pieces(names: readonly Pick<BundleInput, 'name' | 'kind'>[]): Generator<string> {
  const along = [...names.filter(({ kind }) => kind === 'length').map(({ name }) => name), ...ALONG];
  for (const spacing of SPACINGS)
    for (const name of along) {
      yield `ceil(${name} / ${spacing}) + 1`;
      yield `ceil(${name} / ${spacing})`;
    }
}

/**
 * Formulas that come to a quantity as it stands, the plainest first: something of the space or an input by itself, a share of
 * it in whole percents (`floor * 1.1`), pieces set along a length. Which of them is meant, a person says.
 * @param quantity as it stands, in `unit`
 * @param unit of the quantity; what is not a length, an area or a count has nothing to go by
 * @param scope what the formulas see
 * @param inputs the inputs there are beside the space
 * @returns at most six
 */
export function offeredFormulas(
  quantity: Fixed,
  unit: UnitCode,
  scope: Scope,
  inputs: readonly Pick<BundleInput, 'name' | 'kind'>[] = [],
): string[] {
  if (quantity <= 0n) return [];
  const comesTo = (formula: string): Fixed | null => {
    try {
      return formulaQuantity(formula, unit, scope);
    } catch (error) {
      if (error instanceof FormulaError) return null;
      throw error;
    }
  };
  const exact: string[] = [];
  const shares: string[] = [];
  for (const formula of formulas(inputs)) {
    const value = comesTo(formula);
    if (value === null || value <= 0n) continue;
    if (value === quantity) exact.push(formula);
    else if (formula.includes('*')) continue;
    else {
      const percent = divideRounded(quantity * 100n, value);
      if (percent < LEAST_SHARE || percent > MOST_SHARE) continue;
      const part = writeFixed((percent * 10_000n) as Fixed);
      const share = formula.includes('+') ? `(${formula}) * ${part}` : `${formula} * ${part}`;
      if (comesTo(share) === quantity) shares.push(share);
    }
  }
  const counted =
    unit !== 'each' || quantity < FEWEST_PIECES
      ? []
      : [...pieces(inputs)].filter((formula) => comesTo(formula) === quantity);
  return [...new Set([...exact, ...shares, ...counted])].slice(0, MOST);
}
