import { showDecimal } from '@/core/number';
import type { CustomerPayment } from '@/model/customerView';
import { whenDue } from '@/core/text/whenDue';

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
              <span className="card-detail">{whenDue(payment.due)}</span>
            </span>
            <span className="item-amount">{showDecimal(payment.amount)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
