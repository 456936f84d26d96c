import type { Discount } from '@/model';
import type { Amount } from '../number';
import { ZERO, parseAmount, parsePercent, shareOf } from '../number';

/**
 * A discount on an amount: never more than there is, never below zero. A negative amount gets none.
 * @param whole minor units
 * @param minorDigits decimals of the currency
 */
export function discountOn(whole: Amount, discount: Discount | undefined, minorDigits: number): Amount {
  if (!discount || whole <= 0n) return ZERO;
  const wanted =
    'percent' in discount
      ? shareOf(whole, parsePercent(discount.percent))
      : parseAmount(discount.amount, minorDigits);
  return wanted > whole ? whole : wanted;
}
