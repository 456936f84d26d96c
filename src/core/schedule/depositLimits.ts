import type { Amount } from '../number';
import { parseAmount, sumAmounts } from '../number';
import type { ScheduledPayment } from './schedule';

/** A law that limits what a contractor may ask for before work begins. */
export interface DepositLaw {
  readonly id: string;
  readonly place: string;
  /** The law, by its usual citation. */
  readonly source: string;
  readonly inWords: string;
  readonly limit: (
    total: Amount,
    given: { readonly minorDigits: number; readonly specialOrder: Amount },
  ) => Amount;
}

const lesser = (a: bigint, b: bigint): Amount => (a < b ? a : b) as Amount;
/** A third, rounded down: a cent over it is over it. */
const third = (total: bigint): bigint => (total > 0n ? total / 3n : 0n);

/** Deposit limits by place, each with its source (as recalled; a lawyer is not replaced by it). */
export const depositLaws: readonly DepositLaw[] = [
  {
    id: 'california',
    place: 'California',
    source: 'California Business and Professions Code § 7159',
    inWords: 'the lesser of 1,000 and 10 % of the price',
    limit: (total, { minorDigits }) =>
      lesser(parseAmount('1000', minorDigits), total > 0n ? total / 10n : 0n),
  },
  {
    id: 'massachusetts',
    place: 'Massachusetts',
    source: 'Massachusetts General Laws c. 142A § 2',
    inWords: 'one third of the price, or what must be ordered specially, if that is more',
    limit: (total, { specialOrder }) =>
      third(total) > specialOrder ? (third(total) as Amount) : specialOrder,
  },
  {
    id: 'maryland',
    place: 'Maryland',
    source: 'Maryland Business Regulation Code § 8-617',
    inWords: 'one third of the price',
    limit: (total) => third(total) as Amount,
  },
];

/**
 * What a schedule asks for before work begins, whatever its payments are called: deposits, what is due on signing, some days
 * after it or on a day, up to the first payment that waits for work to be done. A payment on a day of its own counts only
 * when it is due before any that waits for a stage could be, that is, when it stands before them.
 */
export function depositAsked(payments: readonly ScheduledPayment[]): Amount {
  const firstStage = payments.findIndex(({ entry }) => entry.due.on === 'stage');
  return sumAmounts(
    payments
      .filter(
        ({ entry }, i) =>
          entry.kind === 'deposit' ||
          entry.due.on === 'acceptance' ||
          (entry.due.on !== 'stage' && entry.kind !== 'final' && firstStage >= 0 && i < firstStage),
      )
      .map(({ amount }) => amount),
  );
}

/**
 * What a deposit exceeds, in words with the source; null where it is within the law or no law is named.
 * @param deposit with tax
 * @param total with tax
 */
export function depositOverLaw(
  place: string | undefined,
  deposit: Amount,
  total: Amount,
  given: { readonly minorDigits: number; readonly specialOrder: Amount },
): { readonly law: DepositLaw; readonly limit: Amount } | null {
  const law = depositLaws.find(({ id }) => id === place);
  if (!law) return null;
  const limit = law.limit(total, given);
  return deposit > limit ? { law, limit } : null;
}
