import type { BillingContext } from '../schedule';
import { lastDayToCancel } from '../schedule';
import type { CompanyMoney } from '@/model';
import { businessDate } from '../calendar';
import type { LoadedAgreement } from './loadedAgreement';

/** What of the company decides it. */
export interface Ours {
  readonly timeZone: string;
  readonly money: CompanyMoney;
}

/** The last day on which the customer may cancel; null where that right is not given. */
export const mayCancelUntil = ({ head }: LoadedAgreement, { timeZone, money }: Ours): string | null =>
  money.coolingOff ? lastDayToCancel(businessDate(head.acceptedAt, timeZone)) : null;

/** Until when no deposit is billed; null where it may be billed at once. */
export const depositHeldUntil = (loaded: LoadedAgreement, ours: Ours): string | null =>
  ours.money.coolingOff?.holdDeposit ? mayCancelUntil(loaded, ours) : null;

/** What is known of an agreement when it is asked which payments can be billed. */
export const billingContextOf = (loaded: LoadedAgreement, ours: Ours): BillingContext => ({
  signedOn: businessDate(loaded.head.acceptedAt, ours.timeZone),
  holdDepositUntil: depositHeldUntil(loaded, ours),
  stagesDone: new Map(
    loaded.stages.flatMap(({ name, doneOn }) => (doneOn === null ? [] : [[name, doneOn] as const])),
  ),
});
