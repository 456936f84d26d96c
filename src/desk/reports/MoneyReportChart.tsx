'use client';

import { Bar, BarChart, LabelList, XAxis, YAxis } from 'recharts';
import { showDecimal } from '@/core/number';
import type { MoneyReportAtDesk } from '@/services/reports/moneyReport';
import { PHONE, useNarrow } from '@/ui/screen/useScreenWidth';

/** Rows that are drawn: the first in the order of the table. */
const DRAWN = 8;

/** Letters of a name beside its bar; the table below has all of it. */
const LETTERS = 34;

const short = (text: string): string =>
  text.length > LETTERS ? `${text.slice(0, LETTERS - 1).trimEnd()}…` : text;

const fills = ['var(--green)', 'var(--green-mid)', 'var(--line)'] as const;

// A chart draws pixels: here, and only here, an amount may become a binary number.
const drawn = (text: string | undefined) => Math.max(0, Number(text ?? 0));

/** The first rows of a report as bars, or its sums beside one another. What is below zero is in the table only. */
export function MoneyReportChart({
  report: { columns, rows, sums, chart },
}: {
  readonly report: MoneyReportAtDesk;
}) {
  const narrow = useNarrow(PHONE);
  const titleOf = (key: string) => columns.find((column) => column.key === key)?.title ?? '';
  const stacked = chart.of === 'rows' && !chart.besideOneAnother;
  const last = chart.keys.at(-1)!;
  const data =
    chart.of === 'sums'
      ? chart.keys.map((key) => ({
          name: titleOf(key),
          [chart.keys[0]!]: drawn(sums[key]),
          label: showDecimal(sums[key] ?? '0'),
        }))
      : rows.slice(0, DRAWN).map(({ cells }) => ({
          name: narrow
            ? short(cells.number ?? cells.item ?? '').slice(0, 8)
            : short([cells.number, cells.title ?? cells.item].filter(Boolean).join(' ')),
          ...Object.fromEntries(chart.keys.map((key) => [key, drawn(cells[key])])),
          // Never quite nothing: the figure stands at its end.
          ...(stacked
            ? { [last]: Math.max(drawn(cells[last]), drawn(cells[chart.label ?? last]) / 1000) }
            : {}),
          label: showDecimal(cells[chart.label ?? chart.keys[0]!] ?? '0'),
        }));
  const keys = chart.of === 'sums' ? chart.keys.slice(0, 1) : chart.keys;
  return (
    <figure className="report-chart" aria-hidden="true">
      <BarChart
        accessibilityLayer={false}
        layout="vertical"
        responsive
        style={{ width: '100%', maxWidth: 960, height: 20 + data.length * (stacked ? 24 : 30) }}
        data={data}
        margin={{ top: 0, right: 100, bottom: 0, left: 0 }}
        barCategoryGap={6}
      >
        <XAxis type="number" hide />
        <YAxis
          type="category"
          dataKey="name"
          width={narrow ? 84 : 270}
          axisLine={false}
          tickLine={false}
          tick={{ fontSize: 13, fill: 'var(--ink)' }}
        />
        {keys.map((key, nth) => (
          <Bar
            key={key}
            dataKey={key}
            {...(stacked ? { stackId: 'one' } : {})}
            fill={fills[nth % fills.length]!}
            isAnimationActive={false}
          >
            {nth === (stacked ? keys.length - 1 : 0) && (
              <LabelList dataKey="label" position="right" fill="var(--ink)" fontSize={13} />
            )}
          </Bar>
        ))}
      </BarChart>
      {chart.of === 'rows' && (
        <figcaption className="soft">
          {keys.map((key, nth) => (
            <span key={key}>
              <span className="report-key" style={{ background: fills[nth % fills.length]! }} />{' '}
              {titleOf(key).toLowerCase()}
            </span>
          ))}
          {rows.length > DRAWN && <span> · the first {DRAWN} of the table</span>}
        </figcaption>
      )}
    </figure>
  );
}
