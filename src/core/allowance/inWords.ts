import type { Allowance } from '@/model';
import type { Amount } from '../number';
import { showAmount, showDecimal } from '../number';

/**
 * What an allowance means for the customer, in a sentence or two, with its figures.
 * @param spend what may be spent in all, in the measure of the rule
 * @param minorDigits decimals of the currency
 */
export function allowanceInWords(
  { rule, fee, feeOnRest }: Pick<Allowance, 'rule' | 'fee' | 'feeOnRest'>,
  spend: Amount,
  minorDigits: number,
): string {
  const amount = showAmount(spend, minorDigits);
  const start = `An allowance for what you choose later: ${amount} to spend`;
  switch (rule) {
    case 'at our price':
      return `${start}, at our prices. If you choose for more, you pay the difference; if for less, you get it back.`;
    case 'at cost, fee fixed':
      return `${start}, at what it costs us. If it costs more, you pay the difference; if less, you get it back. Our fee stays as it is.`;
    case 'at cost, fee on the excess':
      return `${start}, at what it costs us. What it costs beyond that is added with our fee, ${showDecimal(fee)} % of the price; what it costs less you get back${feeOnRest ? ', with the fee on it' : ', without the fee'}.`;
  }
}

/** The rule by itself, for those who pick one. */
export const rulesInWords: Readonly<Record<Allowance['rule'], string>> = {
  'at our price': 'At our price: the difference is paid or given back as it is',
  'at cost, fee fixed': 'At cost, fee fixed: the difference in cost, our fee stays',
  'at cost, fee on the excess': 'At cost, fee on the excess: what goes beyond it carries our fee',
};
