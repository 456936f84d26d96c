import { writeFixed } from '../number';
import { parseQuantity } from '../quantity';

/**
 * Our fee as it was typed: a share of the price in percent, to 2 decimals.
 * @throws RangeError in words for 100 % or more; NotADecimal for what is no number
 */
export function readFee(text: string): string {
  const fee = writeFixed(parseQuantity(text, 2));
  if (Number(fee) >= 100) throw new RangeError('A fee is a share of the price, below 100 %.');
  return fee;
}
