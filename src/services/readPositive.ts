import type { Amount } from '@/core/number';
import { parseAmount } from '@/core/number';
import { Problem } from './problem';

/**
 * An amount as it came in, in the decimals of the currency and above zero.
 * @throws Problem `amount-not-positive`, `too-many-decimals`
 */
export function readPositive(text: string, digits: number, currency: string): Amount {
  let amount: Amount;
  try {
    amount = parseAmount(text, digits);
  } catch {
    throw new Problem('too-many-decimals', `An amount in ${currency} has ${digits} decimals.`, {
      errors: [{ pointer: '/amount', detail: 'too many decimals' }],
    });
  }
  if (amount <= 0n)
    throw new Problem('amount-not-positive', 'Type the amount, above zero.', {
      errors: [{ pointer: '/amount', detail: 'must be above zero' }],
    });
  return amount;
}
