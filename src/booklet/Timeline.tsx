import { showDecimal } from '@/core/number';
import type { CustomerPayment } from '@/model/customerView';
import { showDate } from '@/ui/dates';

function when({ due }: CustomerPayment): string {
  if (due.on === 'acceptance') return 'when you sign';
  if (due.on === 'date') return `on ${showDate(due.date)}`;
  if (due.on === 'days') return `${due.days} days after you sign`;
  return `when done: ${due.stage.charAt(0).toLowerCase()}${due.stage.slice(1)}`;
}

/** The payment schedule as a timeline. */
export function Timeline({ payments }: { payments: readonly CustomerPayment[] }) {
  return (
    <section className="leaf">
      <h2>When you pay</h2>
      <ol className="timeline">
        {payments.map((payment) => (
          <li key={payment.id}>
            <span>
              <strong>{payment.name}</strong>
              <span className="card-detail">{when(payment)}</span>
            </span>
            <span className="item-amount">{showDecimal(payment.amount)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
