import { lastDaySignedToBill } from '@/core/schedule';
import type { OfAgreement } from '@/data/billing/moneySums';
import { toBillByAgreement } from '@/data/billing/moneySums';
import type { Transaction } from '@/data/connection';
import type { companyOf } from '@/data/settings/company';

/** What can be billed by the schedules by a day and is not, by agreement; deposits wait while the customer may cancel. */
export const toBillBy = (
  tx: Transaction,
  { timeZone, money }: Awaited<ReturnType<typeof companyOf>>,
  today: string,
): Promise<OfAgreement[]> =>
  toBillByAgreement(tx, today, timeZone, money.coolingOff?.holdDeposit ? lastDaySignedToBill(today) : today);
