import type { ScheduleEntry } from '@/model/document';
import { showDate } from './dates';

/** When a payment is due, in words for the customer; with the day its stage is planned to be done, where there is one. */
export function whenDue(due: ScheduleEntry['due'], planned: string | null = null): string {
  if (due.on === 'acceptance') return 'when you sign';
  if (due.on === 'date') return `on ${showDate(due.date)}`;
  if (due.on === 'days') return `${due.days} day${due.days === 1 ? '' : 's'} after you sign`;
  const stage = `when done: ${due.stage.charAt(0).toLowerCase()}${due.stage.slice(1)}`;
  return planned === null ? stage : `${stage}, planned for ${showDate(planned)}`;
}
