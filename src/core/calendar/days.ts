/*
 * Business dates as counted days, without a clock or a time zone. The calendar is the proleptic Gregorian one; days are
 * counted from 1 January 1970, and the year is taken to begin in March, so that the leap day is its last (the usual
 * algorithm for days from a civil date).
 */

const floorDiv = (a: number, b: number): number => Math.floor(a / b);

/**
 * Days since 1 January 1970 of a date; month 1 to 12, days beyond the month's last run on.
 * @param year of the Gregorian calendar
 * @param month 1 to 12
 * @param day from 1
 */
export function dayNumber(year: number, month: number, day: number): number {
  const shifted = month <= 2 ? year - 1 : year;
  const era = floorDiv(shifted, 400);
  const yearOfEra = shifted - era * 400;
  const dayOfYear = floorDiv(153 * ((month + 9) % 12) + 2, 5) + day - 1;
  const dayOfEra = yearOfEra * 365 + floorDiv(yearOfEra, 4) - floorDiv(yearOfEra, 100) + dayOfYear;
  return era * 146_097 + dayOfEra - 719_468;
}

/** Days since 1 January 1970 of a business date (YYYY-MM-DD). */
export function dayOf(date: string): number {
  const [year, month, day] = date.split('-').map(Number);
  return dayNumber(year!, month!, day!);
}

/**
 * The business date of a counted day.
 * @param count days since 1 January 1970
 */
export function dateOf(count: number): string {
  const shifted = count + 719_468;
  const era = floorDiv(shifted, 146_097);
  const dayOfEra = shifted - era * 146_097;
  const yearOfEra = floorDiv(
    dayOfEra - floorDiv(dayOfEra, 1460) + floorDiv(dayOfEra, 36_524) - floorDiv(dayOfEra, 146_096),
    365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + floorDiv(yearOfEra, 4) - floorDiv(yearOfEra, 100));
  const shiftedMonth = floorDiv(5 * dayOfYear + 2, 153);
  const day = dayOfYear - floorDiv(153 * shiftedMonth + 2, 5) + 1;
  const month = shiftedMonth < 10 ? shiftedMonth + 3 : shiftedMonth - 9;
  const year = yearOfEra + era * 400 + (month <= 2 ? 1 : 0);
  return `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
}

/**
 * The weekday of a counted day, Sunday is 0.
 * @param count days since 1 January 1970
 */
export const weekdayOf = (count: number): number => (((count + 4) % 7) + 7) % 7;

/**
 * The date so many days later.
 * @param days below zero: earlier
 */
export const plusDays = (date: string, days: number): string => dateOf(dayOf(date) + days);

/** How many days later the second date is. */
export const daysBetween = (from: string, to: string): number => dayOf(to) - dayOf(from);

/** Whether a text is a date there is, as 2026-05-01. */
export const isDay = (text: unknown): text is string =>
  typeof text === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(text) && dateOf(dayOf(text)) === text;
