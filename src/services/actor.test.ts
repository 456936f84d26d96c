import { addDays, format, parseISO } from 'date-fns';
import fc from 'fast-check';
import type { RoleKind } from '@/model';
import { inRole } from '../../tests/support/inRole';
import type { Actor } from './actor';
import { allow, businessDate, daysAfter, may, newId } from './actor';
import { Problem } from './problem';

const actor = (kind: RoleKind): Actor =>
  inRole({ companyId: 'c', userId: 'u', personId: 'p', name: 'N', now: new Date(0) }, kind);

test('a business date is the day it is where the company works', () => {
  const lateEvening = new Date('2026-11-25T02:30:00Z');
  expect(businessDate(lateEvening, 'America/New_York')).toBe('2026-11-24');
  expect(businessDate(lateEvening, 'UTC')).toBe('2026-11-25');
  expect(businessDate(lateEvening, 'Asia/Tokyo')).toBe('2026-11-25');
  // The day on which clocks go back has 25 hours and is one day all the same.
  expect(businessDate(new Date('2026-11-01T04:30:00Z'), 'America/New_York')).toBe('2026-11-01');
  expect(businessDate(new Date('2026-11-02T04:30:00Z'), 'America/New_York')).toBe('2026-11-01');
});

// date-fns as the general-purpose reference: months, leap years and the turn of the year.
test('days after a date', () => {
  const start = parseISO('2023-12-15');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1500 }), fc.integer({ min: -400, max: 400 }), (offset, days) => {
      const from = addDays(start, offset);
      expect(daysAfter(format(from, 'yyyy-MM-dd'), days)).toBe(format(addDays(from, days), 'yyyy-MM-dd'));
    }),
  );
});

test('identities are in the order of their time and never the same', () => {
  const times = Array.from({ length: 200 }, (_, i) => new Date(1_700_000_000_000 + i * 7));
  const ids = times.map(newId);
  expect([...ids].sort()).toEqual(ids);
  expect(new Set(times.map(() => newId(times[0]!))).size).toBe(200);
});

test('whoever may not is told who may', () => {
  expect(may(actor('office'), 'propose', 'library')).toBe(false);
  expect(() => allow(actor('seller'), 'propose', 'library')).not.toThrow();
  expect(() => allow(actor('office'), 'propose', 'library')).toThrow(Problem);
  expect(() => allow(actor('office'), 'propose', 'library')).toThrow(
    'This needs “Write proposals” or “Change the library”, which your role (Office) does not have.',
  );
});

test('identities made in one moment sort in the order they were made, and none twice', () => {
  const now = new Date('2026-05-04T09:00:00Z');
  const ids = Array.from({ length: 2000 }, () => newId(now));
  expect([...ids].sort()).toEqual(ids);
  expect(new Set(ids).size).toBe(ids.length);
  expect(newId(new Date(now.getTime() + 1)) > ids.at(-1)!).toBe(true);
  expect(ids[0]).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
});
