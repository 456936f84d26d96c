import type { CompanyMoney, DepositLaw } from '@/model';
import type { Amount } from '../number';
import { ONE, parseAmount, parsePercent, showDecimal, sumAmounts } from '../number';
import type { ScheduledPayment } from './schedule';

const lesser = (a: bigint, b: bigint): Amount => (a < b ? a : b) as Amount;

/** A part of the price, rounded down: a cent over it is over it. */
function shareOf(total: bigint, { share }: DepositLaw): bigint {
  if (total <= 0n) return 0n;
  if ('of' in share) return (total * BigInt(share.of)) / BigInt(share.in);
  return (total * parsePercent(share.percent)) / ONE;
}

/**
 * Deposit limits by place as the product brings them, with their citations: recalled from memory. A company corrects them and
 * adds its own; a lawyer is not replaced by them.
 */
export const shippedLaws: readonly DepositLaw[] = [
  {
    id: 'california',
    place: 'California',
    source: 'California Business and Professions Code § 7159',
    share: { percent: '10' },
    most: '1000',
  },
  {
    id: 'massachusetts',
    place: 'Massachusetts',
    source: 'Massachusetts General Laws c. 142A § 2',
    share: { of: 1, in: 3 },
    orSpecialOrder: true,
  },
  {
    id: 'maryland',
    place: 'Maryland',
    source: 'Maryland Business Regulation Code § 8-617',
    share: { of: 1, in: 3 },
  },
];

/** The laws a company reckons with: those that are shipped, as it corrected them, and its own. */
export function depositLaws({ laws = [] }: Pick<CompanyMoney, 'laws'>): readonly DepositLaw[] {
  const own = new Map(laws.map((law) => [law.id, law]));
  return [
    ...shippedLaws.map((law) => own.get(law.id) ?? law),
    ...laws.filter(({ id }) => !shippedLaws.some((law) => law.id === id)),
  ];
}

const fractions: Readonly<Record<string, string>> = {
  '1/2': 'half',
  '1/3': 'one third',
  '1/4': 'a quarter',
  '2/3': 'two thirds',
};

/** What a law allows, in words: the lesser of 1,000 and 10 % of the price. */
export function lawInWords({ share, most, orSpecialOrder }: DepositLaw): string {
  const part =
    'of' in share
      ? `${fractions[`${share.of}/${share.in}`] ?? `${share.of}/${share.in}`} of the price`
      : `${share.percent} % of the price`;
  const least = most === undefined ? part : `the lesser of ${showDecimal(most)} and ${part}`;
  return orSpecialOrder ? `${least}, or what must be ordered specially, if that is more` : least;
}

/**
 * The most that may be asked for before work begins.
 * @param total with tax
 */
export function lawLimit(
  law: DepositLaw,
  total: Amount,
  { minorDigits, specialOrder }: { readonly minorDigits: number; readonly specialOrder: Amount },
): Amount {
  const share = shareOf(total, law);
  const limit =
    law.most === undefined ? (share as Amount) : lesser(parseAmount(law.most, minorDigits), share);
  return law.orSpecialOrder && specialOrder > limit ? specialOrder : limit;
}

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
 * What a deposit exceeds, with the law; null where it is within it or no law is named.
 * @param money whose law counts, and the company's laws
 * @param deposit with tax
 * @param total with tax
 */
export function depositOverLaw(
  money: Pick<CompanyMoney, 'deposit' | 'laws'>,
  deposit: Amount,
  total: Amount,
  given: { readonly minorDigits: number; readonly specialOrder: Amount },
): { readonly law: DepositLaw; readonly limit: Amount } | null {
  const law = depositLaws(money).find(({ id }) => id === money.deposit?.place);
  if (!law) return null;
  const limit = lawLimit(law, total, given);
  return deposit > limit ? { law, limit } : null;
}
