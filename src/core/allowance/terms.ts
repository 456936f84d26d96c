import type { Allowance } from '@/model';
import type { Amount } from '../number';
import { parsePercent } from '../number';
import type { AllowanceTerms } from './settle';

/**
 * What an allowance is settled by.
 * @param spend what the customer may spend in all, in the measure of the rule
 */
export const termsOf = (
  { rule, fee, feeOnRest }: Pick<Allowance, 'rule' | 'fee' | 'feeOnRest'>,
  spend: Amount,
): AllowanceTerms => ({ rule, amount: spend, fee: parsePercent(fee), feeOnRest: feeOnRest === true });
