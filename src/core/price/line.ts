import type { CostType, Discount, Line } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed } from '../number';
import {
  FIXED_DIGITS,
  ZERO,
  divideRounded,
  multiplyToAmount,
  parseAmount,
  parseFixed,
  parsePercent,
  powerOfTen,
  roundFixed,
  shareOf,
} from '../number';
import type { UnitCost } from './cost';
import { costsByQuantity, exactCost, unitCost } from './cost';
import type { LoadFactors } from './loads';
import { loadFactors } from './loads';
import type { Pricing } from './pricing';

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
  /** The least the line may come to was more than its price. */
  readonly minimumApplied: boolean;
  /** Quantity × unit price or the minimum charge, before any discount. */
  readonly gross: Amount;
  /** The line's own discount. */
  readonly discount: Amount;
  /** Gross less the line's own discount. */
  readonly net: Amount;
}

/** A discount on an amount: never more than there is, never below zero. A negative amount gets none. */
export function discountOn(whole: Amount, discount: Discount | undefined, minorDigits: number): Amount {
  if (!discount || whole <= 0n) return ZERO;
  const wanted =
    'percent' in discount
      ? shareOf(whole, parsePercent(discount.percent))
      : parseAmount(discount.amount, minorDigits);
  return wanted > whole ? whole : wanted;
}

function loadedUnitPrice(cost: UnitCost, factors: LoadFactors, places: number): Fixed {
  let loaded = 0n;
  for (const type of costTypes) {
    const part = cost.byType[type];
    if (part !== 0n) loaded += part * factors.price[type];
  }
  const step = powerOfTen(FIXED_DIGITS - places);
  return (divideRounded(loaded, factors.bottom * step) * step) as Fixed;
}

/** Unit price of a line whose cost hangs on its quantity: loaded cost ÷ quantity. */
function loadedSharePrice(
  exact: Readonly<Record<CostType, bigint>>,
  quantity: Fixed,
  factors: LoadFactors,
  places: number,
): Fixed {
  let loaded = 0n;
  for (const type of costTypes) if (exact[type] !== 0n) loaded += exact[type] * factors.price[type];
  const step = powerOfTen(FIXED_DIGITS - places);
  return (divideRounded(loaded, factors.bottom * quantity * step) * step) as Fixed;
}

interface Kept {
  readonly quantity: string;
  readonly pricing: Pricing;
  readonly figures: LineFigures;
}
const kept = new WeakMap<Line, Kept>();

/**
 * Figures of a line. Rounded where visible: unit price to its places (2 by default), amounts to the minor unit. A
 * minimum charge lifts the amount of a line whose price is not held. Loads of its own stand instead of the proposal's. The last answer is kept by the line's identity.
 *
 * @param quantity the quantity that counts (the customer's, where they may set it), as decimal text
 */
export function lineFigures(line: Line, quantity: string, pricing: Pricing): LineFigures {
  const last = kept.get(line);
  if (last && last.quantity === quantity && last.pricing === pricing) return last.figures;

  const { minorDigits, area } = pricing;
  const factors = line.loads ? loadFactors(line.loads) : pricing.factors;
  const places = line.pricePlaces ?? 2;
  const cost = unitCost(line, area);
  const count = parseFixed(quantity);
  const exact = exactCost(line, count, cost, area);
  const held = line.heldPrice !== undefined;
  const unitPrice = held
    ? roundFixed(parseFixed(line.heldPrice!), places)
    : costsByQuantity(line) && count > 0n
      ? loadedSharePrice(exact, count, factors, places)
      : loadedUnitPrice(cost, factors, places);
  const priced = multiplyToAmount(count, unitPrice, minorDigits);
  const least =
    line.minimumCharge === undefined || held || count <= 0n
      ? null
      : parseAmount(line.minimumCharge, minorDigits);
  const minimumApplied = least !== null && priced < least;
  const gross = minimumApplied ? least : priced;
  const discount = discountOn(gross, line.discount, minorDigits);
  const figures: LineFigures = {
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
    minimumApplied,
    gross,
    discount,
    net: (gross - discount) as Amount,
  };
  kept.set(line, { quantity, pricing, figures });
  return figures;
}
