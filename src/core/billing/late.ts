import type { LateTerms } from '@/model/money';
import { daysBetween, plusDays } from '../calendar';
import type { Amount } from '../number';
import { ONE, divideRounded, parseAmount, parsePercent } from '../number';

/** A change of what is paid on an invoice: money or credit put on it (above zero) or taken off again, on a day. */
export interface PutOn {
  readonly on: string;
  readonly amount: Amount;
}

/** What an invoice costs because it is paid late. */
export interface LateCharge {
  readonly amount: Amount;
  /** Days after the due date. */
  readonly daysLate: number;
  /** Of interest: the first and last day it is reckoned for. */
  readonly from: string;
  readonly until: string;
}

/**
 * What late payment of an invoice costs up to and with a day, beside what was charged before.
 * Interest: simple, by the day, a 365th of the yearly rate of what was open when the day began; the day money comes in still
 * counts. Within the days of grace nothing is owed; after them, from the day after the due date. Rounded once, half away from
 * zero. A fee: once, when the days of grace are over and something is still open.
 * @param charged the last day charged before; null: nothing yet
 * @param minorDigits decimals of the currency
 */
export function lateCharge(
  terms: LateTerms,
  invoice: { readonly total: Amount; readonly dueOn: string; readonly put: readonly PutOn[] },
  today: string,
  charged: string | null,
  minorDigits: number,
): LateCharge | null {
  const { total, dueOn, put } = invoice;
  const openAtStart = (day: string): bigint =>
    total - put.filter(({ on }) => on < day).reduce((sum, { amount }) => sum + amount, 0n);
  const daysLate = daysBetween(dueOn, today);
  if (daysLate <= terms.graceDays) return null;
  if (terms.kind === 'fee') {
    if (charged !== null || openAtStart(plusDays(dueOn, terms.graceDays + 1)) <= 0n) return null;
    return { amount: parseAmount(terms.amount, minorDigits), daysLate, from: today, until: today };
  }
  // Who paid within the days of grace owes nothing.
  if (openAtStart(plusDays(dueOn, terms.graceDays + 1)) <= 0n) return null;
  const from = charged === null || charged < dueOn ? plusDays(dueOn, 1) : plusDays(charged, 1);
  if (from > today) return null;
  // What is open changes only where something is put on: each stretch between is its days times what is open.
  const cuts = [
    ...new Set(put.map(({ on }) => plusDays(on, 1)).filter((day) => day > from && day <= today)),
  ].sort();
  const edges = [from, ...cuts, plusDays(today, 1)];
  let dayAmounts = 0n;
  for (let i = 0; i + 1 < edges.length; i += 1) {
    const open = openAtStart(edges[i]!);
    if (open > 0n) dayAmounts += open * BigInt(daysBetween(edges[i]!, edges[i + 1]!));
  }
  const amount = divideRounded(dayAmounts * parsePercent(terms.percent), 365n * ONE) as Amount;
  return amount <= 0n ? null : { amount, daysLate, from, until: today };
}
