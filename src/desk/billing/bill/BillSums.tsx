'use client';

import { Fragment } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { InvoiceDraft, Position } from '@/core/billing';
import { afterPaper, paperSums } from '@/core/billing';
import { isNothing, moneyOf, showDecimal } from '@/core/number';

/** What an invoice comes to, and where the agreement stands with it. */
export function BillSums({
  work,
  position,
  made,
}: {
  work: ProgressBilling;
  position: Position;
  made: InvoiceDraft | null;
}) {
  const { ledger } = work;
  const money = moneyOf(ledger.minorDigits);
  const sums = made ? paperSums(made, ledger.components) : null;
  const after = made ? afterPaper(ledger, made) : position;
  return (
    <div className="panel" data-testid="bill-sums">
      <h2>This {made?.kind === 'credit note' ? 'credit note' : 'invoice'}</h2>
      {sums ? (
        <dl className="pairs">
          {made!.draws.length > 0 && (
            <>
              <dt>Work, net</dt>
              <dd>{money.show(sums.work)}</dd>
              {work.taxes.map(({ name, percent }, t) =>
                sums.workTaxes[t] === 0n ? null : (
                  <Fragment key={`${name}${percent}`}>
                    <dt>
                      {name} {showDecimal(percent)} %
                    </dt>
                    <dd>{money.show(sums.workTaxes[t]!)}</dd>
                  </Fragment>
                ),
              )}
              {(sums.retainage !== 0n || sums.advance !== 0n) && (
                <>
                  <dt className="sum">Work, including tax</dt>
                  <dd className="sum">{money.show(sums.workGross)}</dd>
                </>
              )}
            </>
          )}
          {sums.advance !== 0n && (
            <>
              <dt>{sums.advance < 0n ? 'Deposit applied' : 'Deposit, paid up front'}</dt>
              <dd>{money.show(sums.advance)}</dd>
            </>
          )}
          {sums.retainage !== 0n && (
            <>
              <dt>
                {sums.retainage < 0n
                  ? `Retainage, ${ledger.terms.retainage?.percent} %`
                  : 'Retainage released'}
              </dt>
              <dd>{money.show(sums.retainage)}</dd>
            </>
          )}
          <dt className="sum">{sums.total < 0n ? 'Credit to the customer' : 'To pay'}</dt>
          <dd className="sum">
            <strong>{money.show(sums.total)}</strong>
          </dd>
          {!isNothing(work.credit) && sums.total > 0n && (
            <>
              <dt>Customer credit on it</dt>
              <dd>{showDecimal(work.credit)}</dd>
            </>
          )}
        </dl>
      ) : (
        <p className="empty">Type a percent, a quantity or an amount in a row, or pick another way above.</p>
      )}
      <h2 className="above-more">The agreement after it</h2>
      <dl className="pairs">
        <dt>Contract sum</dt>
        <dd>{money.show(after.sumToDate)}</dd>
        <dt>Billed before</dt>
        <dd>{money.show(position.billed)}</dd>
        {after.heldGross > 0n && (
          <>
            <dt>Retainage to date</dt>
            <dd>{money.show(after.heldGross)}</dd>
          </>
        )}
        {after.aheadGross > 0n && (
          <>
            <dt>Deposit not applied yet</dt>
            <dd>{money.show(after.aheadGross)}</dd>
          </>
        )}
        <dt className="sum">Left to bill</dt>
        <dd className="sum">{money.show(after.leftToBill)}</dd>
      </dl>
    </div>
  );
}
