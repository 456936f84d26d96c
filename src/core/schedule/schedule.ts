import type { ScheduleEntry } from '@/model';
import type { Amount } from '../number';
import { ONE, parseAmount, parsePercent, shareOf } from '../number';

export interface ScheduledPayment {
  readonly entry: ScheduleEntry;
  readonly amount: Amount;
  /** This entry takes what the others leave. */
  readonly takesRest: boolean;
}

export interface ScheduleFigures {
  readonly payments: readonly ScheduledPayment[];
  /** What a person has to mend, in words. The payments sum to the total all the same. */
  readonly problems: readonly string[];
}

const whole: ScheduleEntry = {
  id: 'whole',
  name: 'On completion',
  kind: 'final',
  share: { rest: true },
  due: { on: 'stage', stage: 'Completion' },
};

/**
 * Payment entries for a total. Percent entries are rounded to the minor unit; the rest entry (without one, the last
 * percent entry; without that, the last entry) takes what is left, so the sum is the total, always. No payment takes more
 * than what those before it leave, so none is below zero unless the total is. An empty schedule is one payment of the
 * whole.
 *
 * @param total with tax
 * @param minorDigits decimals of the currency
 * @example 18,437.65 at 10/30/30/25 % and the rest → 1,843.77, 5,531.30, 5,531.30, 4,609.41, 921.87
 */
export function computeSchedule(
  entries: readonly ScheduleEntry[],
  total: Amount,
  minorDigits: number,
): ScheduleFigures {
  const used = entries.length === 0 ? [whole] : entries;
  const rests = used.filter((entry) => 'rest' in entry.share);
  const percents = used.filter((entry) => 'percent' in entry.share);
  const taker = rests[0] ?? percents.at(-1) ?? used.at(-1)!;

  const own = used.map((entry): bigint => {
    if (entry === taker || 'rest' in entry.share) return 0n;
    return 'percent' in entry.share
      ? shareOf(total, parsePercent(entry.share.percent))
      : parseAmount(entry.share.amount, minorDigits);
  });
  const rest = total - own.reduce((sum, amount) => sum + amount, 0n);
  let left: bigint = total;
  const taken = own.map((amount) => {
    const part = total >= 0n && amount > left ? left : amount;
    left -= part;
    return part;
  });
  const payments = used.map((entry, i): ScheduledPayment => ({
    entry,
    amount: (entry === taker ? left : taken[i]!) as Amount,
    takesRest: entry === taker,
  }));

  return { payments, problems: problemsOf(used, taker, rest, total, minorDigits) };
}

function problemsOf(
  entries: readonly ScheduleEntry[],
  taker: ScheduleEntry,
  rest: bigint,
  total: Amount,
  digits: number,
): string[] {
  const problems: string[] = [];
  const rests = entries.filter((entry) => 'rest' in entry.share).length;
  if (rests > 1) problems.push('Only one payment can be the balance.');

  const percent = entries.reduce(
    (sum, { share }) => sum + ('percent' in share ? parsePercent(share.percent) : 0n),
    0n,
  );
  const fixedSum = entries.reduce(
    (sum, { share }) => sum + ('amount' in share ? parseAmount(share.amount, digits) : 0n),
    0n,
  );
  const hasPercent = entries.some(({ share }) => 'percent' in share);
  const hasAmount = entries.some(({ share }) => 'amount' in share);
  if (rests === 0 && hasPercent && !hasAmount && percent !== ONE)
    problems.push('The percentages do not make 100. Change one, or make one payment the balance.');
  if (rests === 0 && !hasPercent && fixedSum !== total)
    problems.push('The amounts do not make the total. Make one payment the balance.');
  if (total >= 0n && fixedSum > total) problems.push('The fixed amounts are more than the total.');
  // Each percentage is rounded by half a unit at most: what that takes too much is no mistake of a person.
  else if (total >= 0n && rest + BigInt(entries.length) < 0n)
    problems.push(`Nothing is left for “${taker.name}”: the payments before it are more than the total.`);
  return problems;
}
