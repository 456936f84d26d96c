import type { BillingTerms } from '@/model/billing';
import type { LateTerms } from '@/model/money';
import { showDecimal } from '../number';

/** How an agreement is billed, in sentences the customer can hold us to. */
export function billingInWords({ retainage, deposit }: BillingTerms): string[] {
  return [
    ...(deposit === 'advance' ? ['The deposit is applied to each later invoice in proportion.'] : []),
    ...(retainage
      ? [
          `Retainage of ${showDecimal(retainage.percent)} % is held from every invoice for work${
            retainage.limit === undefined
              ? ''
              : `, never more than ${showDecimal(retainage.limit)} % of the whole,`
          } and paid when the work is complete.`,
        ]
      : []),
  ];
}

/** The rate of retainage and how far it goes, as it stands beside a sum: “10 %, at most 5 % of the contract sum”. */
export const retainageInWords = ({ retainage }: BillingTerms): string | null =>
  retainage
    ? `${showDecimal(retainage.percent)} %${
        retainage.limit === undefined ? '' : `, at most ${showDecimal(retainage.limit)} % of the contract sum`
      }`
    : null;

/** What it costs to pay late, as it stands on an invoice. */
export function lateInWords(terms: LateTerms, currency: string): string {
  const grace = terms.graceDays === 1 ? '1 day' : `${terms.graceDays} days`;
  if (terms.kind === 'fee')
    return `If it is not paid ${terms.graceDays === 0 ? 'when it is due' : `${grace} after it is due`}, a late fee of ${showDecimal(terms.amount)} ${currency} is charged.`;
  return `From the day after it is due, interest of ${showDecimal(terms.percent)} % a year is charged by the day on the unpaid balance${
    terms.graceDays === 0 ? '' : `, if it is not paid within ${grace}`
  }.`;
}
