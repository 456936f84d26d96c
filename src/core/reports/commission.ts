import { agreementStanding, reportOf } from '../billing';
import type { Amount } from '../number';
import { ZERO, divideRounded, parsePercent } from '../number';
import type { ReportedJob } from './reportedJob';
import type { CommissionTerms } from '@/model';

/** What a seller gets of an agreement: of what, at how many percent, in all and so far. */
export interface Commission {
  readonly base: Amount;
  /** Decimal text. */
  readonly percent: string;
  readonly whole: Amount;
  readonly earned: Amount;
}

/** One in the millionths of a decimal. */
const ONE = 1_000_000n;

/**
 * The commission of an agreement. It is of the contract sum before tax with its change orders, or of what that will leave over
 * the cost at the end; of a loss there is none. Earned with the signature, or in the share of the contract sum with tax that
 * is paid. Each rounded once to the minor unit, half away from zero.
 *
 * @param sellerId who sold it; null: nobody gets anything
 * @returns null where the company gives none, or nobody sold it
 * @example 10,000.00 at 5 % of the price: 500.00; a quarter paid: 125.00
 */
export function commissionOf(
  { loaded, costs }: Pick<ReportedJob, 'loaded' | 'costs'>,
  sellerId: string | null,
  terms: CommissionTerms | undefined,
): Commission | null {
  if (!terms || sellerId === null) return null;
  const percent = terms.bySeller?.[sellerId] ?? terms.percent;
  const { agreed, expectedProfit } = reportOf(loaded, costs).total;
  const base = terms.of === 'price' ? agreed : expectedProfit;
  if (base <= 0n) return { base: base < 0n ? ZERO : base, percent, whole: ZERO, earned: ZERO };
  const whole = divideRounded(base * parsePercent(percent), ONE) as Amount;
  const { sumToDate, paid } = agreementStanding(loaded);
  const share = sumToDate <= 0n || paid <= 0n ? 0n : paid < sumToDate ? paid : sumToDate;
  const earned =
    terms.when === 'signed'
      ? whole
      : share === 0n
        ? ZERO
        : (divideRounded(whole * share, sumToDate) as Amount);
  return { base, percent, whole, earned };
}
