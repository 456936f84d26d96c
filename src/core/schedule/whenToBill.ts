import type { ScheduleEntry } from '@/model';
import { plusDays } from '../calendar';

/** What is known of an agreement when it is asked which payments can be billed. Business dates. */
export interface BillingContext {
  readonly signedOn: string;
  /** Until this day the customer may cancel and no deposit is billed; null: it may be billed at once. */
  readonly holdDepositUntil: string | null;
  /** Days on which stages were done, by name. */
  readonly stagesDone: ReadonlyMap<string, string>;
}

/** The day from which a payment can be billed; null while its stage is not done. */
export function billableFrom(
  { due, kind }: Pick<ScheduleEntry, 'due' | 'kind'>,
  { signedOn, holdDepositUntil, stagesDone }: BillingContext,
): string | null {
  const day =
    due.on === 'acceptance'
      ? signedOn
      : due.on === 'date'
        ? due.date
        : due.on === 'days'
          ? plusDays(signedOn, due.days)
          : (stagesDone.get(due.stage) ?? null);
  if (day === null || kind !== 'deposit' || holdDepositUntil === null || day > holdDepositUntil) return day;
  return plusDays(holdDepositUntil, 1);
}
