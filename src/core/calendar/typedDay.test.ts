import { differenceInCalendarDays, endOfMonth, format, nextDay, parse, subMonths } from 'date-fns';
import fc from 'fast-check';
import { plusDays } from './days';
import { monthBefore, monthRange, typedDay } from './typedDay';

const today = '2026-12-20';

test.each([
  ['2026-02-03', '2026-02-03'],
  ['12/5', '2026-12-05'],
  ['1/5', '2027-01-05'],
  ['12/5/26', '2026-12-05'],
  ['12/05/2026', '2026-12-05'],
  ['12.5', '2026-12-05'],
  ['5 Dec', '2026-12-05'],
  ['5. december', '2026-12-05'],
  ['Dec 5', '2026-12-05'],
  ['December 5th, 2025', '2025-12-05'],
  ['5 dec 27', '2027-12-05'],
  ['+14', '2027-01-03'],
  ['- 3', '2026-12-17'],
  ['today', '2026-12-20'],
  ['tomorrow', '2026-12-21'],
  // 20 December 2026 is a Sunday.
  ['fri', '2026-12-25'],
  ['sunday', '2026-12-27'],
  ['2/29', null],
  ['2/29/28', '2028-02-29'],
  ['13/5', null],
  ['5 deck', null],
  ['frisbee', null],
  ['', null],
  ['soon', null],
  ['+99999', null],
])('%s on 20 December 2026 → %s', (typed, date) => expect(typedDay(typed, today)).toBe(date));

// date-fns, a general-purpose library, reads and writes the same dates.
const days = fc.integer({ min: 0, max: 20_000 }).map((count) => plusDays('2001-01-01', count));
const read = (day: string) => parse(day, 'yyyy-MM-dd', new Date(2000, 0, 1));

test.each(['yyyy-MM-dd', 'M/d/yyyy', 'MM/dd/yy', 'd MMM yyyy', 'MMMM d, yyyy', 'MMM do yyyy'])(
  'what date-fns writes as %s is read as that day',
  (pattern) =>
    fc.assert(
      fc.property(days, days, (day, now) => {
        expect(typedDay(format(read(day), pattern), now)).toBe(day);
      }),
    ),
);

test('without a year it is never more than half a year away, and its weekday is the next one', () => {
  fc.assert(
    fc.property(days, days, fc.constantFrom(0, 1, 2, 3, 4, 5, 6), (day, now, weekday) => {
      const found = typedDay(format(read(day), 'M/d'), now);
      if (format(read(day), 'M/d') !== '2/29')
        expect(Math.abs(differenceInCalendarDays(read(found!), read(now)))).toBeLessThanOrEqual(183);
      const next = nextDay(read(now), weekday as 0);
      expect(typedDay(format(next, 'EEEE'), now)).toBe(format(next, 'yyyy-MM-dd'));
    }),
  );
});

test('months as first and last day', () => {
  fc.assert(
    fc.property(days, (day) => {
      expect(monthRange(day.slice(0, 7)).to).toBe(format(endOfMonth(read(day)), 'yyyy-MM-dd'));
      const before = subMonths(read(day), 1);
      expect(monthBefore(day)).toEqual({
        from: format(before, 'yyyy-MM-01'),
        to: format(endOfMonth(before), 'yyyy-MM-dd'),
      });
    }),
  );
});
