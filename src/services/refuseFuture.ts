import { showDate } from '@/core/text/dates';
import { Problem } from './problem';

/**
 * Money that moved did so by today: a day to come is a slip of the finger.
 * @throws Problem `day-to-come`
 */
export function refuseFuture(day: string, today: string): void {
  if (day > today)
    throw new Problem('day-to-come', `${showDate(day)} is still to come; type the day the money moved.`, {
      errors: [{ pointer: '/receivedOn', detail: 'is in the future' }],
    });
}
