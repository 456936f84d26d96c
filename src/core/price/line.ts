import type { Discount, Line } from '@/model';
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
import { unitCost } from './cost';
import type { LoadFactors } from './loads';

/** The figures of one line, whether or not the choices take it in. */
export interface LineFigures {
  readonly line: Line;
  readonly quantity: Fixed;
  readonly cost: UnitCost;
  /** Quantity × unit cost. */
  readonly costAmount: Amount;
  readonly unitPrice: Fixed;
  /** The price was typed by hand. */
  readonly held: boolean;
  /** Quantity × unit price, before any discount. */
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

interface Kept {
  readonly quantity: string;
  readonly factors: LoadFactors;
  readonly minorDigits: number;
  readonly figures: LineFigures;
}
const kept = new WeakMap<Line, Kept>();

/**
 * Figures of a line. Rounded where visible: unit price to its places (2 by default), amounts to the minor unit.
 * The last answer is kept by the line's identity.
 *
 * @param quantity the quantity that counts (the customer's, where they may set it), as decimal text
 */
export function lineFigures(
  line: Line,
  quantity: string,
  factors: LoadFactors,
  minorDigits: number,
): LineFigures {
  const last = kept.get(line);
  if (last && last.quantity === quantity && last.factors === factors && last.minorDigits === minorDigits)
    return last.figures;

  const places = line.pricePlaces ?? 2;
  const cost = unitCost(line);
  const count = parseFixed(quantity);
  const held = line.heldPrice !== undefined;
  const unitPrice = held
    ? roundFixed(parseFixed(line.heldPrice!), places)
    : loadedUnitPrice(cost, factors, places);
  const gross = multiplyToAmount(count, unitPrice, minorDigits);
  const discount = discountOn(gross, line.discount, minorDigits);
  const figures: LineFigures = {
    line,
    quantity: count,
    cost,
    costAmount: multiplyToAmount(count, cost.total, minorDigits),
    unitPrice,
    held,
    gross,
    discount,
    net: (gross - discount) as Amount,
  };
  kept.set(line, { quantity, factors, minorDigits, figures });
  return figures;
}
