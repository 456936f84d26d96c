import Link from 'next/link';
import { Fragment } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isNothing, showDecimal } from '@/core/number';
import { billEntry } from './AgreementHead';

/** The payments of the schedule: what is billed of each, and what can be billed. */
export function PaymentsAgreed({ agreement }: { readonly agreement: AgreementAtDesk }) {
  const { id, payments, sumToDate } = agreement;
  return (
    <div className="panel">
      <h2>Payments agreed</h2>
      <dl className="pairs">
        {payments.map((payment) => (
          <Fragment key={payment.id}>
            <dt>
              {payment.name}
              <div className="soft">
                {payment.invoice && `invoice ${payment.invoice.number}`}
                {payment.invoice && !isNothing(payment.left) && `, ${showDecimal(payment.left)} left · `}
                {!payment.invoice && payment.covered && 'billed by other invoices'}
                {payment.toBill && (
                  <Link href={billEntry(id, payment.id)} prefetch={false}>
                    Bill “{payment.name}”
                  </Link>
                )}
              </div>
            </dt>
            <dd>{showDecimal(payment.amount)}</dd>
          </Fragment>
        ))}
        <dt className="sum">Contract sum</dt>
        <dd className="sum">{showDecimal(sumToDate)}</dd>
      </dl>
    </div>
  );
}
