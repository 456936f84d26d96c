import { jest } from '@jest/globals';
import { runPeriodically } from './runPeriodically';

const minute = 60_000;
const hour = 60 * minute;

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

const started = (work: () => Promise<unknown>) => {
  const told: unknown[] = [];
  const end = runPeriodically(work, { first: minute, every: hour, tell: (error) => told.push(error) });
  return { told, end };
};

test('first after a minute, then every hour, until it is ended', async () => {
  let times = 0;
  const { end } = started(async () => void (times += 1));
  await jest.advanceTimersByTimeAsync(minute - 1);
  expect(times).toBe(0);
  await jest.advanceTimersByTimeAsync(1);
  expect(times).toBe(1);
  await jest.advanceTimersByTimeAsync(3 * hour);
  expect(times).toBe(4);
  end();
  await jest.advanceTimersByTimeAsync(10 * hour);
  expect(times).toBe(4);
});

test('what fails is told, and tried again the next time', async () => {
  let times = 0;
  const { told } = started(async () => {
    times += 1;
    if (times === 1) throw new Error('no mail today');
  });
  await jest.advanceTimersByTimeAsync(hour);
  expect([times, String(told)]).toEqual([2, 'Error: no mail today']);
  await jest.advanceTimersByTimeAsync(hour);
  expect([times, told.length]).toEqual([3, 1]);
});

test('what is still at work is not begun again', async () => {
  let times = 0;
  let finish = () => {};
  started(() => {
    times += 1;
    return new Promise<void>((resolve) => (finish = resolve));
  });
  await jest.advanceTimersByTimeAsync(5 * hour);
  expect(times).toBe(1);
  finish();
  await jest.advanceTimersByTimeAsync(hour);
  expect(times).toBe(2);
});
