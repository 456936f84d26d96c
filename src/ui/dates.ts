const months = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** A business date for people: "3 May 2026". It has no zone, so none can move it. */
export function showDate(date: string): string {
  const [year, month, day] = date.slice(0, 10).split('-');
  return `${Number(day)} ${months[Number(month) - 1] ?? month} ${year}`;
}

/** The same, short: "3 May". */
export function showDay(date: string): string {
  const [, month, day] = date.slice(0, 10).split('-');
  return `${Number(day)} ${(months[Number(month) - 1] ?? '').slice(0, 3)}`;
}

/** An instant for people in a time zone: "3 May 2026, 14:05". The same on the server and in the browser. */
export function showInstant(iso: string, timeZone: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(new Date(iso));
  const of = (type: string) => parts.find((part) => part.type === type)?.value ?? '';
  return `${of('day')} ${(months[Number(of('month')) - 1] ?? '').slice(0, 3)} ${of('year')}, ${of('hour')}:${of('minute')}`;
}
