import fc from 'fast-check';
import { dateOf, dayNumber, dayOf, daysBetween, plusDays, weekdayOf } from '.';

const anyDay = fc.integer({ min: -200_000, max: 200_000 });

test('counted days and dates are each other, and the same as the calendar of the language', () => {
  fc.assert(
    fc.property(anyDay, (count) => {
      const date = new Date(count * 86_400_000);
      expect(dateOf(count)).toBe(date.toISOString().slice(0, 10));
      expect(dayOf(dateOf(count))).toBe(count);
      expect(weekdayOf(count)).toBe(date.getUTCDay());
    }),
    { numRuns: 2000 },
  );
});

test('days later and back', () => {
  fc.assert(
    fc.property(anyDay, fc.integer({ min: -5000, max: 5000 }), (count, days) => {
      const date = dateOf(count);
      expect(daysBetween(date, plusDays(date, days))).toBe(days);
    }),
  );
  expect(plusDays('2024-02-28', 2)).toBe('2024-03-01');
  expect(dayNumber(2023, 3, 0)).toBe(dayOf('2023-02-28'));
});
