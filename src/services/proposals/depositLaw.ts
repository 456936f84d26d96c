import { minorDigits, parseAmount, showAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import { computeSchedule, depositAsked, depositOverLaw, lawInWords } from '@/core/schedule';
import type { CompanyMoney, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { Problem } from '../problem';

/**
 * Refuses to send a deposit above what the law of the company's place allows, where the company wants that.
 * @throws Problem `deposit-above-law`
 */
export function refuseUnlawfulDeposit(document: ProposalDocument, money: CompanyMoney): void {
  if (!money.deposit?.blocks || document.change) return;
  const digits = minorDigits(document.currency);
  const { total } = computeFigures(document, asSuggested);
  const { payments } = computeSchedule(document.schedule, total, digits);
  const asked = depositAsked(payments);
  const over = depositOverLaw(money, asked, total, {
    minorDigits: digits,
    specialOrder: parseAmount(document.billing?.specialOrder ?? '0', digits),
  });
  if (over)
    throw new Problem(
      'deposit-above-law',
      `The deposit of ${showAmount(asked, digits)} is more than ${over.law.place} allows: at most ${showAmount(over.limit, digits)}, ${lawInWords(over.law)} (${over.law.source}). Change it under Payments.`,
    );
}
