'use client';

import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { Track } from '@/ui/Track';
import { Pay } from './Pay';
import { Mail } from './Reach';
import type { Booklet } from './types';

type Agreement = NonNullable<Booklet['agreement']>;

/** After signing: thanks, what is paid and what comes next, and what can be paid now. */
export function Agreed({
  data,
  agreement,
  address,
  trialCode,
}: {
  data: Booklet;
  agreement: Agreement;
  address: string | null;
  trialCode: string;
}) {
  return (
    <section className="leaf agreed" id="agreed">
      <h2>Accepted on {showDate(agreement.acceptedOn)}</h2>
      <p>
        Signed by {agreement.signerName}. {data.company.name} will call you about the start.
      </p>
      {agreement.cancelUntil && (
        <p>
          You may cancel until midnight of {showDate(agreement.cancelUntil)}, without giving a reason. Write
          to <Mail address={data.company.email} />.
        </p>
      )}
      <Track parts={agreement.track} height={14} named />
      <dl className="sums">
        {agreement.original !== agreement.standing.sumToDate && (
          <>
            <dt>Signed at first</dt>
            <dd>{showDecimal(agreement.original)}</dd>
          </>
        )}
        <dt>{agreement.original === agreement.standing.sumToDate ? 'Agreed' : 'Agreed to date'}</dt>
        <dd>{showDecimal(agreement.standing.sumToDate)}</dd>
        <dt>Billed</dt>
        <dd>{showDecimal(agreement.standing.billed)}</dd>
        <dt>Paid</dt>
        <dd>{showDecimal(agreement.standing.paid)}</dd>
      </dl>
      {agreement.changes.length > 0 && (
        <>
          <h3>Change orders</h3>
          {agreement.changes.map((change) => (
            <div className="item" key={change.id}>
              <span>
                {address ? <a href={`${address}~${change.id}`}>{change.title}</a> : change.title}
                <span className="card-detail">
                  {change.state === 'waiting' ? (
                    <strong className="waits">waits for your signature</strong>
                  ) : change.state === 'signed' ? (
                    'signed'
                  ) : (
                    'closed, not signed'
                  )}
                </span>
              </span>
              <span className="item-amount">{showDecimal(change.total)}</span>
            </div>
          ))}
        </>
      )}
      {address && (
        <p>
          <a href={`${address}/certificate`}>What was signed, and the proof of it</a>
        </p>
      )}
      <Pay agreement={agreement} currency={data.view.currency} address={address} trialCode={trialCode} />
      {agreement.invoices.length > 0 && (
        <>
          <h3>Invoices</h3>
          {agreement.invoices.map((invoice) => (
            <div className="item" key={invoice.id}>
              <span>
                {address ? (
                  <a href={`${address}/invoices/${invoice.id}/invoice.pdf`}>
                    {invoice.kind === 'credit note' ? 'Credit note' : 'Invoice'} {invoice.number}
                  </a>
                ) : (
                  `${invoice.kind === 'credit note' ? 'Credit note' : 'Invoice'} ${invoice.number}`
                )}
                <span className="card-detail">
                  {invoice.title}
                  {invoice.kind === 'credit note' ? '' : ', '}
                  {invoice.kind === 'credit note'
                    ? ''
                    : isNothing(invoice.open)
                      ? 'paid'
                      : isNothing(invoice.waits)
                        ? `${showDecimal(invoice.open)} to pay by ${showDate(invoice.dueOn)}`
                        : `${showDecimal(invoice.waits)} on its way from your card; the bank has not answered yet`}
                </span>
              </span>
              <span className="item-amount">{showDecimal(invoice.total)}</span>
            </div>
          ))}
        </>
      )}
    </section>
  );
}
