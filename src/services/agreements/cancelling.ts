import type { BillingContext } from '@/core/schedule';
import { lastDayToCancel } from '@/core/schedule';
import { showDate } from '@/core/text/dates';
import type { CompanyMoney } from '@/model';
import { businessDate } from '../actor';
import { Problem } from '../problem';
import type { LoadedAgreement } from '@/core/billing';

interface Ours {
  readonly timeZone: string;
  readonly money: CompanyMoney;
}

/** The last day on which the customer may cancel; null where that right is not given. */
export const mayCancelUntil = ({ head }: LoadedAgreement, { timeZone, money }: Ours): string | null =>
  money.coolingOff ? lastDayToCancel(businessDate(head.acceptedAt, timeZone)) : null;

/** Until when no deposit is billed; null where it may be billed at once. */
export const depositHeldUntil = (loaded: LoadedAgreement, ours: Ours): string | null =>
  ours.money.coolingOff?.holdDeposit ? mayCancelUntil(loaded, ours) : null;

/** Refuses to bill a deposit while the customer may cancel, where the company works so. */
export function refuseEarlyDeposit(loaded: LoadedAgreement, entryId: string, ours: Ours, now: Date): void {
  if (loaded.payments.find((each) => each.entryId === entryId)?.kind !== 'deposit') return;
  const until = depositHeldUntil(loaded, ours);
  if (until !== null && businessDate(now, ours.timeZone) <= until)
    throw new Problem(
      409,
      `The customer may cancel until the end of ${showDate(until)}; no deposit is billed before that.`,
    );
}

/** What is known of an agreement when it is asked which payments can be billed. */
export const billingContextOf = (loaded: LoadedAgreement, ours: Ours): BillingContext => ({
  signedOn: businessDate(loaded.head.acceptedAt, ours.timeZone),
  holdDepositUntil: depositHeldUntil(loaded, ours),
  stagesDone: new Map(
    loaded.stages.flatMap(({ name, doneOn }) => (doneOn === null ? [] : [[name, doneOn] as const])),
  ),
});
