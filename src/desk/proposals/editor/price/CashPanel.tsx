'use client';

import dynamic from 'next/dynamic';
import { cashCurve } from '@/core/insight';
import { moneyOf } from '@/core/number';
import { useEditor } from '../context';

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
        <table className="table-plain table-close" aria-label="Spent and paid by stage">
          <thead>
            <tr>
              <th>When it is done</th>
              <th className="amount">Spent</th>
              <th className="amount">Paid by work</th>
              <th className="amount">By schedule</th>
            </tr>
          </thead>
          <tbody>
            {points.map(({ name, spent, byWork, bySchedule }) => (
              <tr key={name}>
                <td>{name}</td>
                <td className="amount">{money.show(spent)}</td>
                <td className="amount">{money.show(byWork)}</td>
                <td className="amount">{money.show(bySchedule)}</td>
              </tr>
            ))}
            <tr>
              <td>
                <strong>Lowest</strong>
              </td>
              <td />
              <td className="amount">{money.show(lowest.byWork)}</td>
              <td className="amount">{money.show(lowest.bySchedule)}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p className="soft">
        Before tax. Paid by work: each stage for the lines in it, when it is done. The lowest is before a
        stage is paid.
      </p>
    </section>
  );
}
