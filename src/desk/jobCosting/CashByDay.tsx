import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import type { Job } from '@/services/jobCosting/jobReport';
import { showDecimal, withoutSign } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { ExportLink } from '@/ui/may/ExportLink';

/** The cash of a job by the facts: what came in less what went out, and the lowest it was. */
export function CashByDay({ job: { id, cash, currency } }: { job: Job }) {
  if (cash.days.length === 0) return null;
  // A chart draws pixels: here, and only here, an amount may become a binary number.
  const data = cash.days.map(({ day, lowest, balance }) => ({
    day: showShortDate(day),
    lowest: Number(lowest),
    balance: Number(balance),
  }));
  return (
    <div className="panel">
      <h2>Cash</h2>
      <p className="no-above">
        {cash.lowest
          ? `At the lowest, on ${showShortDate(cash.lowest.day)}, ${showDecimal(withoutSign(cash.lowest.balance))} ${currency} of ours was in it.`
          : 'Never in front of the customer’s money.'}{' '}
        <span className="soft">On one day, money goes out before it comes in (dotted).</span>
      </p>
      <figure className="cash-chart" aria-hidden="true">
        <LineChart
          accessibilityLayer={false}
          responsive
          style={{ width: '100%', maxWidth: 284, height: 170 }}
          data={data}
          margin={{ top: 8, right: 8, bottom: 0, left: 0 }}
        >
          <CartesianGrid stroke="var(--hairline)" vertical={false} />
          <XAxis
            dataKey="day"
            tick={{ fontSize: 11, fill: 'var(--soft)' }}
            stroke="var(--line)"
            minTickGap={40}
          />
          <YAxis width={52} tick={{ fontSize: 11, fill: 'var(--soft)' }} stroke="var(--line)" />
          <ReferenceLine y={0} stroke="var(--ink)" />
          <Line
            type="stepAfter"
            dataKey="lowest"
            stroke="var(--soft)"
            strokeDasharray="2 3"
            strokeWidth={1}
            dot={false}
            isAnimationActive={false}
          />
          <Line
            type="stepAfter"
            dataKey="balance"
            stroke="var(--green)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </figure>
      <ExportLink href={`/api/v1/agreements/${id}/job.csv?list=cash`}>As CSV</ExportLink>
    </div>
  );
}
