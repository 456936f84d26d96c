/** The months by name, in order. */
export const months = [
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

/** The same, short, with the year: "3 May 2026" needs no more room than "23 Sep 2026". */
export function showShortDate(date: string): string {
  return `${showDay(date)} ${date.slice(0, 4)}`;
}
