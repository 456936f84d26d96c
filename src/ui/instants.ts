import { showShortDate } from '@/core/text/dates';

/** An instant for people in a time zone: "3 May 2026, 14:05". The same on the server and in the browser. */
export function showInstant(iso: string, timeZone: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(new Date(iso));
  const of = (type: string) => parts.find((part) => part.type === type)?.value ?? '';
  return `${showShortDate(`${of('year')}-${of('month')}-${of('day')}`)}, ${of('hour')}:${of('minute')}`;
}
