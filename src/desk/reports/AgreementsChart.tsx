'use client';

import { Bar, BarChart, LabelList, XAxis, YAxis } from 'recharts';
import type { AgreementsReport } from '@/services/reports/agreementsReport';
import { showDecimal } from '@/core/number';
import { PHONE, useNarrow } from '@/ui/screen/useScreenWidth';

/** Agreements that are drawn: the newest. */
const DRAWN = 8;

/** Letters of a title beside its bar; the table below has all of it. */
const LETTERS = 34;

const short = (title: string): string =>
  title.length > LETTERS ? `${title.slice(0, LETTERS - 1).trimEnd()}…` : title;

/** Agreed, billed and paid of the newest agreements, each in the other. */
export function AgreementsChart({ rows }: { rows: AgreementsReport['rows'] }) {
  // On a phone the bars need the room; the cards below have the titles.
  const narrow = useNarrow(PHONE);
  // A chart draws pixels: here, and only here, an amount may become a binary number.
  const data = rows.slice(0, DRAWN).map(({ number, title, sumToDate, billed, paid }) => ({
    name: narrow ? String(number) : `${number} ${short(title)}`,
    paid: Number(paid),
    billed: Number(billed) - Number(paid),
    // Never quite nothing: the figure stands at its end.
    agreed: Math.max(Number(sumToDate) / 1000, Number(sumToDate) - Number(billed)),
    label: showDecimal(sumToDate),
  }));
  return (
    <figure className="report-chart" aria-hidden="true">
      <BarChart
        accessibilityLayer={false}
        layout="vertical"
        responsive
        style={{ width: '100%', maxWidth: 960, height: 30 + data.length * 24 }}
        data={data}
        margin={{ top: 0, right: 100, bottom: 0, left: 0 }}
        barCategoryGap={6}
      >
        <XAxis type="number" hide />
        <YAxis
          type="category"
          dataKey="name"
          width={narrow ? 44 : 270}
          axisLine={false}
          tickLine={false}
          tick={{ fontSize: 13, fill: 'var(--ink)' }}
        />
        <Bar dataKey="paid" stackId="one" fill="var(--green)" isAnimationActive={false} />
        <Bar dataKey="billed" stackId="one" fill="var(--green-mid)" isAnimationActive={false} />
        <Bar dataKey="agreed" stackId="one" fill="var(--line)" isAnimationActive={false}>
          <LabelList dataKey="label" position="right" fill="var(--ink)" fontSize={13} />
        </Bar>
      </BarChart>
      <figcaption className="soft">
        <span className="report-key report-paid" /> paid <span className="report-key report-billed" /> billed,
        not paid <span className="report-key report-agreed" /> agreed, not billed
      </figcaption>
    </figure>
  );
}
