import type { ScheduleEntry } from '@/model';
import type { Amount } from '../number';
import { presetsBySize, renamedEntry, withShareKind, withStage } from './scheduleEdits';

const entry = (id: string, kind: ScheduleEntry['kind'], share: ScheduleEntry['share']): ScheduleEntry => ({
  id,
  name: id,
  kind,
  share,
  due: kind === 'deposit' ? { on: 'acceptance' } : { on: 'stage', stage: id },
});
const schedule = [
  entry('deposit', 'deposit', { percent: '30' }),
  entry('frame', 'stage', { amount: '500' }),
  entry('end', 'final', { rest: true }),
];
const amounts = [30000n, 50000n, 20000n] as Amount[];

test('the balance goes to one payment only; the one that had it keeps what it comes to', () => {
  expect(withShareKind(schedule, amounts, 1, 'rest', 2).map(({ share }) => share)).toEqual([
    { percent: '30' },
    { rest: true },
    { amount: '200.00' },
  ]);
});

test('as an amount a payment stays what it is, and is nothing where it was below zero', () => {
  expect(withShareKind(schedule, amounts, 0, 'amount', 2)[0]!.share).toEqual({ amount: '300.00' });
  const below = [30000n, 90000n, -20000n] as Amount[];
  expect(withShareKind(schedule, below, 2, 'amount', 2)[2]!.share).toEqual({ amount: '0.00' });
  expect(withShareKind(schedule, amounts, 2, 'percent', 2)[2]!.share).toEqual({ percent: '10' });
});

test('a stage comes before the final payment, or last where there is none', () => {
  expect(withStage(schedule, 'new').map(({ id }) => id)).toEqual(['deposit', 'frame', 'new', 'end']);
  expect(withStage(schedule.slice(0, 2), 'new').map(({ id }) => id)).toEqual(['deposit', 'frame', 'new']);
});

test('the stage a payment waits for is renamed with it, another is not', () => {
  expect(renamedEntry(schedule[1]!, 'Walls').due).toEqual({ on: 'stage', stage: 'Walls' });
  const other: ScheduleEntry = { ...schedule[1]!, due: { on: 'stage', stage: 'Inspection' } };
  expect(renamedEntry(other, 'Walls').due).toEqual({ on: 'stage', stage: 'Inspection' });
});

test('schedules for jobs of this size stand first', () => {
  const preset = (id: string, upTo?: string) => ({
    id,
    name: id,
    schedule: [],
    ...(upTo === undefined ? {} : { upTo }),
  });
  const all = [preset('small', '5000'), preset('middle', '20000'), preset('any')];
  expect(presetsBySize(all, 1_000_000n as Amount, 2).map(({ id }) => id)).toEqual(['middle', 'any', 'small']);
});
