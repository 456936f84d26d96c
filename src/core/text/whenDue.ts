import type { ScheduleEntry } from '@/model/document';
import { showDate } from './dates';

/** When a payment is due, in words for the customer. */
export function whenDue(due: ScheduleEntry['due']): string {
  if (due.on === 'acceptance') return 'when you sign';
  if (due.on === 'date') return `on ${showDate(due.date)}`;
  if (due.on === 'days') return `${due.days} day${due.days === 1 ? '' : 's'} after you sign`;
  return `when done: ${due.stage.charAt(0).toLowerCase()}${due.stage.slice(1)}`;
}
