import { dateOf, dayNumber, dayOf, weekdayOf } from '../calendar';

/*
 * The right to cancel a sale made at the customer's home: until midnight of the third business day after it. Saturday is a
 * business day, Sundays and federal holidays are not (FTC, 16 CFR Part 429, from memory). A holiday counts on its own day
 * and on the day it is observed on: who reads the rule the longer way is right as well.
 */

/** The nth weekday of a month (Sunday is 0); the last one for n = -1. */
function nth(year: number, month: number, weekday: number, n: number): number {
  const first = dayNumber(year, month, 1);
  if (n > 0) return first + ((weekday - weekdayOf(first) + 7) % 7) + (n - 1) * 7;
  const last = dayNumber(month === 12 ? year + 1 : year, (month % 12) + 1, 1) - 1;
  return last - ((weekdayOf(last) - weekday + 7) % 7);
}

/**
 * Federal holidays of a year on their own days (5 U.S.C. § 6103, from memory): New Year, Martin Luther King, Washington,
 * Memorial Day, Juneteenth (since 2021), Independence, Labor Day, Columbus, Veterans, Thanksgiving, Christmas.
 * @param year of the Gregorian calendar
 */
export function federalHolidays(year: number): string[] {
  return [
    dayNumber(year, 1, 1),
    nth(year, 1, 1, 3),
    nth(year, 2, 1, 3),
    nth(year, 5, 1, -1),
    ...(year >= 2021 ? [dayNumber(year, 6, 19)] : []),
    dayNumber(year, 7, 4),
    nth(year, 9, 1, 1),
    nth(year, 10, 1, 2),
    dayNumber(year, 11, 11),
    nth(year, 11, 4, 4),
    dayNumber(year, 12, 25),
  ].map(dateOf);
}

/**
 * Days on which federal holidays are observed beside their own (5 U.S.C. § 6103(b), from memory): Friday for one on a
 * Saturday, Monday for one on a Sunday. New Year's Day may be observed in the year before.
 * @param year of the Gregorian calendar
 */
export function observedHolidays(year: number): string[] {
  return [...federalHolidays(year), ...federalHolidays(year + 1)]
    .map(dayOf)
    .flatMap((day) => (weekdayOf(day) === 6 ? [day - 1] : weekdayOf(day) === 0 ? [day + 1] : []))
    .map(dateOf)
    .filter((date) => date.startsWith(String(year)));
}

const isBusinessDay = (day: number): boolean => {
  const date = dateOf(day);
  const year = Number(date.slice(0, 4));
  return weekdayOf(day) !== 0 && ![...federalHolidays(year), ...observedHolidays(year)].includes(date);
};

/**
 * The last day on which a customer may cancel.
 * @param signedOn business date, YYYY-MM-DD
 * @example lastDayToCancel('2026-11-25') // '2026-11-30': Thanksgiving and a Sunday between
 */
export function lastDayToCancel(signedOn: string, businessDays = 3): string {
  let day = dayOf(signedOn);
  for (let left = businessDays; left > 0;) {
    day += 1;
    if (isBusinessDay(day)) left -= 1;
  }
  return dateOf(day);
}

/** The latest day of signing whose right to cancel is over today: deposits signed by then can be billed. */
export function lastDaySignedToBill(today: string): string {
  let day = dayOf(today);
  while (lastDayToCancel(dateOf(day)) >= today) day -= 1;
  return dateOf(day);
}
