import type { BillingTerms } from '@/model/billing';
import { showDecimal } from '../number';

/** How an agreement is billed, in sentences the customer can hold us to. */
export function billingInWords({ retainage, deposit }: BillingTerms): string[] {
  return [
    ...(deposit === 'advance' ? ['The deposit is counted off each later invoice in proportion.'] : []),
    ...(retainage
      ? [
          `Of every invoice for work ${showDecimal(retainage.percent)} % is held back${
            retainage.limit === undefined
              ? ''
              : `, never more than ${showDecimal(retainage.limit)} % of the whole,`
          } and paid when the work is complete.`,
        ]
      : []),
  ];
}
