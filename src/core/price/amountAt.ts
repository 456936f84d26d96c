import type { Line } from '@/model';
import type { Amount, Fixed } from '../number';
import { multiplyToAmount, parseAmount } from '../number';
import { discountOn } from './discount';

/** What a line comes to at a unit price: gross, its discount, and whether the minimum charge lifted it. */
export function amountAt(
  line: Pick<Line, 'minimumCharge' | 'discount' | 'heldPrice' | 'shapedPrice'>,
  quantity: Fixed,
  unitPrice: Fixed,
  minorDigits: number,
) {
  const priced = multiplyToAmount(quantity, unitPrice, minorDigits);
  const least =
    line.minimumCharge === undefined || (line.heldPrice ?? line.shapedPrice) !== undefined || quantity <= 0n
      ? null
      : parseAmount(line.minimumCharge, minorDigits);
  const minimumApplied = least !== null && priced < least;
  const gross = minimumApplied ? least : priced;
  const discount = discountOn(gross, line.discount, minorDigits);
  return { minimumApplied, gross, discount, net: (gross - discount) as Amount };
}
