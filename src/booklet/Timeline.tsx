import { showDecimal } from '@/core/number';
import type { CustomerView } from '@/model/customerView';
import { billingInWords } from '@/core/text/billingInWords';
import { whenDue } from '@/core/text/whenDue';

/** The payment schedule as a timeline. */
export function Timeline({ payments, billing }: Pick<CustomerView, 'payments' | 'billing'>) {
  return (
    <section className="leaf">
      <h2>When you pay</h2>
      <ol className="timeline">
        {payments.map((payment) => (
          <li key={payment.id}>
            <span>
              <strong>{payment.name}</strong>
              <span className="card-detail">{whenDue(payment.due, payment.planned)}</span>
            </span>
            <span className="item-amount">{showDecimal(payment.amount)}</span>
          </li>
        ))}
      </ol>
      {billingInWords(billing).map((sentence) => (
        <p key={sentence} className="card-detail">
          {sentence}
        </p>
      ))}
    </section>
  );
}
