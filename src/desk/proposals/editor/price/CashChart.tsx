'use client';

import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts';
import type { CashPoint } from '@/core/insight';
import { writeAmount } from '@/core/number';

/** Spent and paid as three lines, told apart by their dashes as well as by colour. */
export function CashChart({ points, minorDigits }: { points: readonly CashPoint[]; minorDigits: number }) {
  // A chart draws pixels: here, and only here, an amount may become a binary number.
  const number = (value: CashPoint['spent']) => Number(writeAmount(value, minorDigits));
  const data = points.map(({ name, spent, byWork, bySchedule }) => ({
    name,
    spent: number(spent),
    byWork: number(byWork),
    bySchedule: number(bySchedule),
  }));
  return (
    <figure className="cash-chart" aria-hidden="true">
      <LineChart
        accessibilityLayer={false}
        responsive
        style={{ width: '100%', maxWidth: 400, height: 200 }}
        data={data}
        margin={{ top: 8, right: 12, bottom: 0, left: 0 }}
      >
        <CartesianGrid stroke="var(--hairline)" vertical={false} />
        <XAxis dataKey="name" tick={{ fontSize: 11, fill: 'var(--soft)' }} stroke="var(--line)" />
        <YAxis width={56} tick={{ fontSize: 11, fill: 'var(--soft)' }} stroke="var(--line)" />
        <Line dataKey="spent" stroke="var(--madder)" strokeWidth={2} dot={false} isAnimationActive={false} />
        <Line dataKey="byWork" stroke="var(--green)" strokeWidth={2} dot={false} isAnimationActive={false} />
        <Line
          dataKey="bySchedule"
          stroke="var(--ink)"
          strokeWidth={2}
          strokeDasharray="6 4"
          dot={false}
          isAnimationActive={false}
        />
      </LineChart>
      <figcaption className="soft">
        <span className="cash-key cash-spent" /> spent <span className="cash-key cash-work" /> paid by work{' '}
        <span className="cash-key cash-schedule" /> by schedule
      </figcaption>
    </figure>
  );
}
