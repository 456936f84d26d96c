import { memoLast } from '../collections/memoByIdentity';
import type { CostType, Line, Load } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed, Ratio } from '../number';
import { FIXED_DIGITS, divideRounded, parseFixed, powerOfTen, roundFixed } from '../number';
import type { UnitCost } from './cost';
import { UNIT_COST_PLACES, costsByQuantity, exactCost, unitCost } from './cost';
import { amountAt } from './amountAt';
import type { LoadFactors } from './loads';
import { loadFactors } from './loads';
import { loadsOfLine } from './lineLoads';
import type { Pricing } from './pricing';
import { taxFactor } from './tax';

/** The figures of one line, whether or not the choices take it in. */
export interface LineFigures {
  readonly line: Line;
  readonly quantity: Fixed;
  readonly cost: UnitCost;
  /** Exact cost by type, in 10⁻¹² of the currency: material as ordered, the rest as measured. */
  readonly exactCost: Readonly<Record<CostType, bigint>>;
  /** Its sum, rounded. */
  readonly costAmount: Amount;
  readonly unitPrice: Fixed;
  /** The price was typed by hand. */
  readonly held: boolean;
  /** The price was set by shaping to a target. */
  readonly shaped: boolean;
  /** Its price is computed elsewhere and has not come yet: it counts as nothing. */
  readonly unpriced: boolean;
  /** The least the line may come to was more than its price. */
  readonly minimumApplied: boolean;
  /** Quantity × unit price or the minimum charge, before any discount. */
  readonly gross: Amount;
  /** The line's own discount. */
  readonly discount: Amount;
  /** Gross less the line's own discount. */
  readonly net: Amount;
}

/**
 * What a unit of a line costs in all, waste, packs and price breaks with it, rounded to four places; the unit cost where
 * nothing is measured, or where a cost is typed.
 */
export function costInAll({ line, quantity, cost, exactCost }: LineFigures): Fixed {
  if (quantity <= 0n || line.typedCost !== undefined || !costsByQuantity(line)) return cost.total;
  const whole = costTypes.reduce((sum, type) => sum + exactCost[type], 0n);
  return roundFixed(divideRounded(whole, quantity) as Fixed, UNIT_COST_PLACES);
}

/**
 * Loaded cost ÷ quantity, by the price of the tax inside it, rounded to its places.
 * @param byType costs whose sum is over `quantity`: unit costs over one, costs of the whole over the whole
 */
function loadedPrice(
  byType: Readonly<Record<CostType, bigint>>,
  quantity: bigint,
  factors: LoadFactors,
  tax: Ratio,
  places: number,
): Fixed {
  let loaded = 0n;
  for (const type of costTypes) loaded += byType[type] * factors.price[type];
  const step = powerOfTen(FIXED_DIGITS - places);
  return (divideRounded(loaded * tax.top, factors.bottom * quantity * tax.bottom * step) * step) as Fixed;
}

/**
 * Figures of a line. Rounded where visible: unit price to its places (2 by default), amounts to the minor unit. A
 * minimum charge lifts the amount of a line whose price is not held. Loads nearest to the line count: its own, its
 * bundle's, its section's, the proposal's. The last answer is kept by the line's identity.
 *
 * @param quantity the quantity that counts (the customer's, where they may set it), as decimal text
 * @param around loads of the bundle or section it is in, where they have their own
 * @param given the unit price that stands in place of one made of costs, where it was computed elsewhere; null: not yet
 */
export const lineFigures = (
  line: Line,
  quantity: string,
  pricing: Pricing,
  around?: readonly Load[],
  given?: string | null,
): LineFigures => computed(line, quantity, pricing, around, given);

const computed = memoLast(compute);

function compute(
  line: Line,
  quantity: string,
  pricing: Pricing,
  around: readonly Load[] | undefined,
  given: string | null | undefined,
): LineFigures {
  const { minorDigits, area } = pricing;
  const own = loadsOfLine(line, around, pricing.loads);
  const factors = own ? loadFactors(own) : pricing.factors;
  const tax = taxFactor(pricing.classes.get(line.taxClass), pricing);
  const places = line.pricePlaces ?? 2;
  const cost = unitCost(line, area);
  const count = parseFixed(quantity);
  const exact = exactCost(line, count, cost, area);
  const held = line.heldPrice !== undefined;
  const set = line.heldPrice ?? line.shapedPrice;
  const unitPrice =
    set !== undefined
      ? roundFixed(parseFixed(set), places)
      : given !== undefined
        ? roundFixed(parseFixed(given ?? '0'), places)
        : costsByQuantity(line) && count > 0n
          ? loadedPrice(exact, count, factors, tax, places)
          : loadedPrice(cost.byType, 1n, factors, tax, places);
  const amounts = amountAt(line, count, unitPrice, pricing);
  return {
    line,
    quantity: count,
    cost,
    exactCost: exact,
    costAmount: divideRounded(
      costTypes.reduce((sum, type) => sum + exact[type], 0n),
      powerOfTen(2 * FIXED_DIGITS - minorDigits),
    ) as Amount,
    unitPrice,
    held,
    shaped: !held && line.shapedPrice !== undefined,
    unpriced: set === undefined && given === null,
    minimumApplied: amounts.minimumApplied,
    gross: amounts.gross,
    discount: amounts.discount,
    net: amounts.net,
  };
}
