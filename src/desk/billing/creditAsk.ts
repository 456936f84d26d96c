import { isNothing } from '@/core/number';
import { parseMoneyInput } from '@/core/quantity';
import type { CreditAsk } from '@/model';

export type Way = 'whole' | 'amount' | 'lines';

/** What is typed for a credit note. */
export interface TypedCredit {
  readonly way: Way;
  readonly amount: string;
  /** By line of the agreement. */
  readonly lines: Readonly<Record<string, string>>;
  readonly remark: string;
}

export const blankCredit: TypedCredit = { way: 'whole', amount: '', lines: {}, remark: '' };

/**
 * What the fields ask for; null: nothing yet. Work below zero is credited by an amount below zero.
 * @throws Error in words where something cannot be read
 */
export function askOf({ way, amount, lines }: TypedCredit, digits: number): CreditAsk | null {
  if (way === 'whole') return { whole: true };
  if (way === 'amount') {
    const value = parseMoneyInput(amount.trim() || '0', digits);
    return isNothing(value) ? null : { amount: value };
  }
  const named = Object.entries(lines).flatMap(([line, text]) => {
    const typed = text.trim();
    const below = typed.startsWith('-') || typed.startsWith('−');
    const value = parseMoneyInput(typed.replace(/^[-−]/, '') || '0', digits);
    return isNothing(value) ? [] : [{ line, amount: below ? `-${value}` : value }];
  });
  return named.length > 0 ? { lines: named } : null;
}
