'use client';

import { Bar, BarChart, Cell, LabelList, XAxis, YAxis } from 'recharts';
import type { MoneySums } from '@/services/billing/moneySums';
import { showDecimal } from '@/core/number';

/** What is out by how late it is; late money is madder, and says so in words below. */
export function AgeChart({ byAge }: { byAge: MoneySums['byAge'] }) {
  // A chart draws pixels: here, and only here, an amount may become a binary number.
  const data = byAge.map(({ age, sum, count }) => ({
    age,
    sum: Number(sum),
    label: count === 0 ? '' : `${showDecimal(sum)} · ${count}`,
  }));
  return (
    <figure className="age-chart" aria-label="Money out by how late it is">
      <BarChart
        accessibilityLayer={false}
        layout="vertical"
        responsive
        style={{ width: '100%', maxWidth: 560, height: 150 }}
        data={data}
        margin={{ top: 0, right: 130, bottom: 0, left: 0 }}
        barCategoryGap={6}
      >
        <XAxis type="number" hide />
        <YAxis
          type="category"
          dataKey="age"
          width={84}
          axisLine={false}
          tickLine={false}
          tick={{ fontSize: 13, fill: 'var(--ink)' }}
        />
        <Bar dataKey="sum" isAnimationActive={false} minPointSize={0} radius={2}>
          {data.map(({ age }) => (
            <Cell key={age} fill={age === 'not due' ? 'var(--green)' : 'var(--madder)'} />
          ))}
          <LabelList dataKey="label" position="right" fill="var(--ink)" fontSize={13} />
        </Bar>
      </BarChart>
      <figcaption className="soft">Days after the day it was due; sum and number of invoices.</figcaption>
    </figure>
  );
}
