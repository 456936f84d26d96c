import type { ReminderStep } from '@/model/money';
import { daysBetween, plusDays } from '../calendar';

/**
 * The reminder that an open invoice is to get on a day: the last step whose day has come, if neither it nor a later one
 * went out. Steps that were missed are not made up for; one that announces the due date is not sent after it, nor where the
 * invoice was issued later than its day.
 * @param sent days of the steps that went out
 */
export function reminderDue<S extends Pick<ReminderStep, 'days'>>(
  steps: readonly S[],
  { issuedOn, dueOn }: { readonly issuedOn: string; readonly dueOn: string },
  today: string,
  sent: readonly number[],
): S | null {
  const late = daysBetween(dueOn, today);
  const reached = steps
    .filter(({ days }) => days <= late && (days > 0 || (late <= 0 && plusDays(dueOn, days) > issuedOn)))
    .sort((a, b) => a.days - b.days)
    .at(-1);
  return !reached || sent.some((days) => days >= reached.days) ? null : reached;
}
