import type { ScheduleEntry } from '@/model';
import { plainDocument } from '../../../tests/support/documents';
import { edited } from '../../../tests/support/edits';
import { planStage, setBilling, setSchedule } from '.';

const start = plainDocument([{ id: 's1', title: 'Floor', entries: [] }]);
const entry = (id: string): ScheduleEntry => ({
  id,
  name: id,
  kind: 'stage',
  share: { percent: '50' },
  due: { on: 'stage', stage: id },
});

test('the schedule is replaced as a whole', () => {
  const after = edited(start, (d) => setSchedule(d, [entry('x'), entry('y')]));
  expect(after.schedule.map(({ id }) => id)).toEqual(['x', 'y']);
  expect(edited(after, (d) => setSchedule(d, []))).toEqual(start);
});

test('how it is billed stands in the document only where it is something special', () => {
  const held = edited(start, (d) => setBilling(d, { retainage: { percent: '10' } }));
  expect(held.billing).toEqual({ retainage: { percent: '10' } });
  const { billing: _, ...plain } = held;
  expect(plain).toEqual(start);
  expect(edited(held, (d) => setBilling(d, {}))).toEqual(start);
});

test('a stage is planned for a day, for another, and not at all; others keep theirs', () => {
  const one = edited(start, (d) => planStage(d, 'Frame', '2026-05-04'));
  expect(one.stages).toEqual([{ name: 'Frame', planned: '2026-05-04' }]);
  const two = edited(one, (d) => planStage(d, 'Roof', '2026-06-01'));
  const moved = edited(two, (d) => planStage(d, 'Frame', '2026-05-11'));
  expect(moved.stages).toEqual([
    { name: 'Frame', planned: '2026-05-11' },
    { name: 'Roof', planned: '2026-06-01' },
  ]);
  const left = edited(moved, (d) => planStage(d, 'Frame', null));
  expect(left.stages).toEqual([{ name: 'Roof', planned: '2026-06-01' }]);
  expect(edited(left, (d) => planStage(d, 'Roof', null))).toEqual(start);
  expect(edited(start, (d) => planStage(d, 'Roof', null))).toEqual(start);
});
