import { months } from '../text/dates';
import { dateOf, dayNumber, dayOf, daysBetween, isDay, plusDays, weekdayOf } from './days';

const monthNames = months.map((name) => name.toLowerCase());
const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];

/** Which of some names a text begins, with three letters or more; -1 for none. */
const begun = (names: readonly string[], text: string): number =>
  text.length < 3 ? -1 : names.findIndex((name) => name.startsWith(text));

const words: Readonly<Record<string, number>> = { today: 0, tomorrow: 1, yesterday: -1 };

const LONGEST = 40;

const write = (year: number, month: number, day: number): string | null => {
  const text = [String(year).padStart(4, '0'), String(month).padStart(2, '0'), String(day).padStart(2, '0')];
  return isDay(text.join('-')) ? text.join('-') : null;
};

/** A year as typed: four digits as they are, two of this century. */
const yearOf = (typed: string): number => (typed.length <= 2 ? 2000 : 0) + Number(typed);

/** A day without a year: in the year in which it is nearest to today. */
function nearest(month: number, day: number, today: string): string | null {
  const year = Number(today.slice(0, 4));
  const found = [year - 1, year, year + 1].flatMap((each) => write(each, month, day) ?? []);
  const far = (date: string) => Math.abs(daysBetween(today, date));
  return found.sort((a, b) => far(a) - far(b))[0] ?? null;
}

const inYear = (month: number, day: number, year: string | undefined, today: string): string | null =>
  year === undefined ? nearest(month, day, today) : write(yearOf(year), month, day);

/**
 * A business date as a person types it, as YYYY-MM-DD; null for what is no date.
 *
 * - `2026-12-05`; `12/5`, `12/5/26`, `12.5.2026` (month first, as in the United States)
 * - `5 Dec`, `Dec 5`, `5 December 2026`
 * - `+14`, `-3`: so many days from today; `today`, `tomorrow`, `yesterday`; `fri`: the next one, today not counted
 *
 * Without a year it is the day nearest to today: on 20 December, `1/5` is in the year to come.
 *
 * @param today the business date it is counted from
 */
export function typedDay(typed: string, today: string): string | null {
  const text = typed.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ');
  if (text === '' || text.length > LONGEST) return null;
  if (isDay(text)) return text;
  const word = words[text];
  if (word !== undefined) return plusDays(today, word);
  const offset = /^([+-])\s?(\d{1,4})$/.exec(text);
  if (offset) return plusDays(today, Number(`${offset[1]}${offset[2]}`));
  const numbers = /^(\d{1,2})[/. -](\d{1,2})(?:[/. -](\d{2}|\d{4}))?\.?$/.exec(text);
  if (numbers) {
    return inYear(Number(numbers[1]), Number(numbers[2]), numbers[3], today);
  }
  const named = /^(\d{1,2})\.? ?([a-z]{3,9})\.?(?: (\d{2}|\d{4}))?$/.exec(text);
  const turned = /^([a-z]{3,9})\.? ?(\d{1,2})(?:st|nd|rd|th)?(?: (\d{2}|\d{4}))?$/.exec(text);
  const [day, name, year]: readonly [string | null, string, string | undefined] = named
    ? [named[1]!, named[2]!, named[3]]
    : turned
      ? [turned[2]!, turned[1]!, turned[3]]
      : [null, text, undefined];
  if (day === null) {
    const weekday = begun(weekdays, name);
    return weekday < 0 ? null : plusDays(today, (weekday - weekdayOf(dayOf(today)) + 7) % 7 || 7);
  }
  const month = begun(monthNames, name) + 1;
  return month === 0 ? null : inYear(month, Number(day), year, today);
}

/** The days of a month as its first and last date; month as YYYY-MM. */
export function monthRange(month: string): { readonly from: string; readonly to: string } {
  const [year, number] = month.split('-').map(Number);
  return { from: `${month}-01`, to: dateOf(dayNumber(year!, number! + 1, 1) - 1) };
}

/** The month before the one a date is in, as first and last date. */
export const monthBefore = (date: string): { readonly from: string; readonly to: string } =>
  monthRange(plusDays(`${date.slice(0, 7)}-01`, -1).slice(0, 7));

/** The quarter of the year a day is in, as its first and last day. */
export function quarterOf(date: string): { readonly from: string; readonly to: string } {
  const month = Number(date.slice(5, 7));
  const first = month - ((month - 1) % 3);
  const of = (number: number) => `${date.slice(0, 4)}-${String(number).padStart(2, '0')}`;
  return { from: `${of(first)}-01`, to: monthRange(of(first + 2)).to };
}
