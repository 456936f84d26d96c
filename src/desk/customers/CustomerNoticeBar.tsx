import { ExclamationCircleOutlined } from '@ant-design/icons';
import Link from 'next/link';
import { isNothing, showDecimal } from '@/core/number';
import type { CustomerNotice } from '@/model';
import './customerNotice.css';

/** What must be known of a customer before work starts: our note marked as an alert, and money owed. Nothing where there is nothing. */
export function CustomerNoticeBar({
  notice: { alert, open, late },
  customerId,
}: {
  readonly notice: CustomerNotice;
  readonly customerId: string;
}) {
  const owes = !isNothing(open);
  if (alert === '' && !owes) return null;
  return (
    <div className="customer-notice" role="note" aria-label="Only for us">
      <ExclamationCircleOutlined aria-hidden="true" />
      {alert !== '' && <span className="customer-alert">{alert}</span>}
      {owes && (
        <Link href={`/customers/${customerId}`} prefetch={false}>
          {isNothing(late)
            ? `${showDecimal(open)} outstanding`
            : late === open
              ? `${showDecimal(open)} overdue`
              : `${showDecimal(open)} outstanding, ${showDecimal(late)} of it overdue`}
        </Link>
      )}
    </div>
  );
}
