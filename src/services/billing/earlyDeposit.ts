import type { LoadedAgreement, Ours } from '@/core/billing';
import { depositHeldUntil } from '@/core/billing';
import { showDate } from '@/core/text/dates';
import { businessDate } from '../actor';
import { Problem } from '../problem';

/**
 * Refuses to bill a deposit while the customer may cancel, where the company works so.
 * @throws Problem `deposit-too-early`
 */
export function refuseEarlyDeposit(loaded: LoadedAgreement, entryId: string, ours: Ours, now: Date): void {
  if (loaded.payments.find((each) => each.entryId === entryId)?.kind !== 'deposit') return;
  const until = depositHeldUntil(loaded, ours);
  if (until !== null && businessDate(now, ours.timeZone) <= until)
    throw new Problem(
      'deposit-too-early',
      `The customer may cancel until the end of ${showDate(until)}; no deposit is billed before that.`,
    );
}
