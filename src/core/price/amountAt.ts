import type { Line } from '@/model';
import type { Amount, Fixed } from '../number';
import { multiplyToAmount, parseAmount, subtractAmounts } from '../number';
import { discountOn } from './discount';

/**
 * What a line comes to at a unit price: gross, its discount, and whether the minimum charge lifted it.
 * @param keepsMinimum the line's own discount goes down to its minimum charge and no further (edition 2 of the rules)
 * @param quantity millionths of the unit
 * @param unitPrice millionths of the currency
 */
export function amountAt(
  line: Pick<Line, 'minimumCharge' | 'discount' | 'heldPrice' | 'shapedPrice'>,
  quantity: Fixed,
  unitPrice: Fixed,
  { minorDigits, keepsMinimum }: { readonly minorDigits: number; readonly keepsMinimum: boolean },
) {
  const priced = multiplyToAmount(quantity, unitPrice, minorDigits);
  const least =
    line.minimumCharge === undefined || (line.heldPrice ?? line.shapedPrice) !== undefined || quantity <= 0n
      ? null
      : parseAmount(line.minimumCharge, minorDigits);
  const minimumApplied = least !== null && priced < least;
  const gross = minimumApplied ? least : priced;
  const asked = discountOn(gross, line.discount, minorDigits);
  const most = keepsMinimum && least !== null ? gross - least : asked;
  const discount = asked > most ? (most as Amount) : asked;
  return { minimumApplied, gross, discount, net: subtractAmounts(gross, discount) };
}
