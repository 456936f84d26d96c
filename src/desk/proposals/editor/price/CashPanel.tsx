'use client';

import dynamic from 'next/dynamic';
import { cashCurve } from '@/core/insight';
import { moneyOf } from '@/core/number';
import { useEditor } from '../context';
import { PlainTable } from '@/ui/tables/PlainTable';

/** Drawn only where it is looked at; its figures are in the table beside it. */
const CashChart = dynamic(() => import('./CashChart').then((module) => module.CashChart), { ssr: false });

/** What is spent and what is paid by then, stage by stage, and how deep we are in front of the customer's money. */
export function CashPanel() {
  const { work, figures } = useEditor();
  const { points, lowest } = cashCurve(work.document);
  if (points.length < 3)
    return (
      <section className="shape" aria-label="Cash over the stages">
        <h2>Cash over the stages</h2>
        <p className="soft">
          With two sections, or lines of two phases, you see what is spent and paid by each; early lines can
          carry more.
        </p>
      </section>
    );
  const money = moneyOf(figures.minorDigits);
  return (
    <section className="shape" aria-label="Cash over the stages">
      <h2>Cash over the stages</h2>
      <div className="cash">
        <CashChart points={points} minorDigits={figures.minorDigits} />
        <PlainTable
          label="Spent and paid by stage"
          rows={points}
          rowKey={({ name }) => name}
          columns={[
            { key: 'name', title: 'When it is done', cell: ({ name }) => name },
            { key: 'spent', title: 'Spent', figure: true, cell: ({ spent }) => money.show(spent) },
            { key: 'byWork', title: 'Paid by work', figure: true, cell: ({ byWork }) => money.show(byWork) },
            {
              key: 'bySchedule',
              title: 'By schedule',
              figure: true,
              cell: ({ bySchedule }) => money.show(bySchedule),
            },
          ]}
          foot={[
            {
              name: 'Lowest',
              byWork: money.show(lowest.byWork),
              bySchedule: money.show(lowest.bySchedule),
            },
          ]}
        />
      </div>
      <p className="soft">
        Before tax. Paid by work: each stage for the lines in it, when it is done. The lowest is before a
        stage is paid.
      </p>
    </section>
  );
}
