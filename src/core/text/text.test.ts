import { format, isValid, parseISO } from 'date-fns';
import fc from 'fast-check';
import { showDate, showDay, showShortDate } from './dates';
import { whenDue } from './whenDue';

/** Business dates from 1990 to 2089, each a true day. */
const anyDate = fc
  .record({
    year: fc.integer({ min: 1990, max: 2089 }),
    month: fc.integer({ min: 1, max: 12 }),
    day: fc.integer({ min: 1, max: 31 }),
  })
  .map(({ year, month, day }) => `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`)
  .filter((text) => isValid(parseISO(text)));

// date-fns as the general-purpose reference.
test('dates read as date-fns writes them', () => {
  fc.assert(
    fc.property(anyDate, (date) => {
      const day = parseISO(date);
      expect(showDate(date)).toBe(format(day, 'd MMMM yyyy'));
      expect(showDay(date)).toBe(format(day, 'd MMM'));
      expect(showShortDate(date)).toBe(format(day, 'd MMM yyyy'));
    }),
  );
});

test.each([
  [{ on: 'acceptance' as const }, 'when you sign'],
  [{ on: 'date' as const, date: '2027-03-01' }, 'on 1 March 2027'],
  [{ on: 'days' as const, days: 1 }, '1 day after you sign'],
  [{ on: 'days' as const, days: 30 }, '30 days after you sign'],
  [{ on: 'stage' as const, stage: 'Roof tight' }, 'when done: roof tight'],
])('%j is due %s', (due, words) => expect(whenDue(due)).toBe(words));
