'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { Select } from 'antd';
import { parseQuantity } from '@/core/quantity';
import { writeFixed } from '@/core/number';
import type { ScheduleEntry } from '@/model';
import { Cell } from '@/ui/live/Cell';

type DueOn = ScheduleEntry['due'];

const ways: { value: DueOn['on']; label: string }[] = [
  { value: 'acceptance', label: 'on signing' },
  { value: 'stage', label: 'when the stage is done' },
  { value: 'days', label: 'days after signing' },
  { value: 'date', label: 'on a date' },
];

const today = () => new Date().toLocaleDateString('en-CA');

function first(entry: ScheduleEntry, on: DueOn['on']): DueOn {
  if (on === 'acceptance') return { on };
  if (on === 'days') return { on, days: 14 };
  if (on === 'date') return { on, date: today() };
  return { on, stage: entry.name };
}

function readDays(text: string): number {
  const days = Number(writeFixed(parseQuantity(text)));
  if (!Number.isInteger(days) || days < 0 || days > 3650)
    throw new Error('Days are a whole number from 0 to 3,650.');
  return days;
}

/** When a payment is due: on signing, some days after it, on a date, or when a stage is done. */
export function Due({
  entry,
  readOnly,
  change,
}: {
  readonly entry: ScheduleEntry;
  readonly readOnly: boolean;
  readonly change: (due: DueOn) => void;
}) {
  const { due } = entry;
  return (
    <span className="due">
      {due.on === 'days' && (
        <Cell
          name="days"
          label={`Days until ${entry.name}`}
          align="right"
          shown={String(due.days)}
          readOnly={readOnly}
          commit={(text) => change({ on: 'days', days: readDays(text) })}
        />
      )}
      <Select
        size="small"
        disabled={readOnly}
        aria-label={`When ${entry.name} is due`}
        popupMatchSelectWidth={false}
        value={due.on}
        onChange={(on) => change(first(entry, on))}
        options={ways}
      />
      {due.on === 'date' && (
        <DayPicker
          size="small"
          label={`Date of ${entry.name}`}
          disabled={readOnly}
          allowClear={false}
          value={due.date}
          onChange={(date) => date && change({ on: 'date', date })}
        />
      )}
    </span>
  );
}
