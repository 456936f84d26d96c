import Link from 'next/link';
import { Fragment } from 'react';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import { capital } from '@/core/text/capital';

/** Where an invoice stands in its agreement. */
export function InAgreement({ invoice }: { invoice: InvoiceAtDesk }) {
  return (
    <>
      <h2 className="above-more">In the agreement</h2>
      <dl className="pairs">
        {invoice.changes.length > 0 && (
          <>
            <dt>Original sum</dt>
            <dd>{showDecimal(invoice.original)}</dd>
            {invoice.changes.map((change) => (
              <Fragment key={change.number}>
                <dt>{change.title}</dt>
                <dd>{showDecimal(change.total)}</dd>
              </Fragment>
            ))}
          </>
        )}
        <dt className={invoice.changes.length > 0 ? 'sum' : ''}>Contract sum</dt>
        <dd className={invoice.changes.length > 0 ? 'sum' : ''}>{showDecimal(invoice.contractSum)}</dd>
        <dt>Billed before</dt>
        <dd>{showDecimal(invoice.billedBefore)}</dd>
        <dt>This {invoice.kind === 'credit note' ? 'note' : 'invoice'}</dt>
        <dd>{showDecimal(invoice.total)}</dd>
        <dt className="sum">Left to bill</dt>
        <dd className="sum">{showDecimal(invoice.leftAfter)}</dd>
        {!isNothing(invoice.heldToDate) && (
          <>
            <dt>Of that retainage</dt>
            <dd>{showDecimal(invoice.heldToDate)}</dd>
          </>
        )}
      </dl>
    </>
  );
}

/** What it is paid with, one by one. */
export const PaidWith = ({ settled }: { settled: InvoiceAtDesk['settled'] }) =>
  settled.map(({ paymentId, creditNoteId, what, reference, on, amount }) => (
    <Fragment key={paymentId ?? creditNoteId}>
      <dt>
        {paymentId === null ? (
          <Link className="link-in-text" href={`/money/${creditNoteId}`} prefetch={false}>
            {capital(what)}
          </Link>
        ) : (
          <a className="link-in-text" href={`/api/v1/payments/${paymentId}/receipt.pdf`}>
            {capital(what)}
          </a>
        )}
        <span className="soft">
          {' '}
          {showShortDate(on)}
          {reference && `, ${reference}`}
        </span>
      </dt>
      <dd>−{showDecimal(amount)}</dd>
    </Fragment>
  ));

/** What it cost us, as far as it was put beside the invoice. Never on the paper. */
export function CostsBeside({ costs }: { costs: InvoiceAtDesk['costs'] }) {
  return (
    <>
      <h2 className="above-more">Costs beside it, for us</h2>
      <dl className="pairs">
        {costs.rows.map(({ id, what, supplier, amount }) => (
          <Fragment key={id}>
            <dt>
              {what}
              {supplier && <span className="soft"> · {supplier}</span>}
            </dt>
            <dd>{showDecimal(amount)}</dd>
          </Fragment>
        ))}
        <dt className="sum">Sum</dt>
        <dd className="sum">{showDecimal(costs.sum)}</dd>
      </dl>
    </>
  );
}
