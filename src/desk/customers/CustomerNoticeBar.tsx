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
  // Money that is not late yet is said, and alarms nobody.
  const quiet = alert === '' && isNothing(late);
  return (
    <div
      className={`customer-notice ${quiet ? 'customer-notice-quiet' : ''}`}
      role="note"
      aria-label="Only for us"
    >
      {!quiet && <ExclamationCircleOutlined aria-hidden="true" />}
      {alert !== '' && <span className="customer-alert">{alert}</span>}
      {owes && (
        <Link href={`/customers/${customerId}`} prefetch={false}>
          {isNothing(late)
            ? `${showDecimal(open)} outstanding, not late`
            : late === open
              ? `${showDecimal(open)} overdue`
              : `${showDecimal(open)} outstanding, ${showDecimal(late)} of it overdue`}
        </Link>
      )}
    </div>
  );
}
