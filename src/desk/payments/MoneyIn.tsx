'use client';

import { wayOf } from '@/core/text/names';
import { Button } from 'antd';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isBelowZero, isNothing, showDecimal, withoutSign } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { MoneyInActions, Received, Reversal } from './moneyInActions';
import { ReversalDialog } from './ReversalDialog';
import { RefundDialog } from './RefundDialog';
import { useSubmit } from '@/ui/useSubmit';
import { PlainTable } from '@/ui/tables/PlainTable';

/** The receipt of a payment, and what can become of it. */
const OfPayment = ({
  payment,
  mayRecord,
  reverse,
}: {
  readonly payment: Received;
  readonly mayRecord: boolean;
  readonly reverse: (what: { payment: Received; kind: Reversal }) => void;
}) => (
  <>
    <a href={`/api/v1/payments/${payment.id}/receipt.pdf`}>Receipt</a>
    {mayRecord && payment.gone === null && (
      <>
        {' · '}
        <Button type="link" size="small" onClick={() => reverse({ payment, kind: 'returned' })}>
          Payment returned
        </Button>
        {payment.method !== 'card' && (
          <>
            {' · '}
            <Button type="link" size="small" onClick={() => reverse({ payment, kind: 'void' })}>
              Void
            </Button>
          </>
        )}
      </>
    )}
  </>
);

/** What came in on an agreement, what went back, and the customer's credit. */
export function MoneyIn({ agreement, actions }: { agreement: AgreementAtDesk; actions: MoneyInActions }) {
  const { busy, submit } = useSubmit({ tells: true });
  const [refunding, setRefunding] = useState(false);
  const [reversing, setReversing] = useState<{ payment: Received; kind: Reversal } | null>(null);
  const owesBeside = isBelowZero(agreement.credit);
  const hasCredit = !isNothing(agreement.credit) && !owesBeside;
  const isOpen = agreement.invoices.some(({ open }) => !isNothing(open));
  const elsewhere = isOpen && agreement.mayRecord ? agreement.creditElsewhere : [];
  if (agreement.received.length === 0 && !hasCredit && !owesBeside && elsewhere.length === 0) return null;
  const put = (from?: string) =>
    submit(() => actions.putCredit({ agreementId: agreement.id, ...(from ? { from } : {}) }), {
      said: (value) => `${showDecimal(value.put)} of the credit is applied to open invoices.`,
    });
  return (
    <>
      <h2>Received</h2>
      <PlainTable
        label="Received"
        headless
        rows={[
          ...agreement.received.map((payment) => ({ payment, refund: null })),
          ...agreement.refunds.map((refund) => ({ payment: null, refund })),
        ]}
        rowKey={({ payment, refund }) => (payment ?? refund)!.id}
        columns={[
          {
            key: 'day',
            title: 'Day',
            className: 'nowrap',
            cell: ({ payment, refund }) => showShortDate(payment ? payment.receivedOn : refund!.paidOn),
          },
          {
            key: 'how',
            title: 'How',
            cell: ({ payment, refund }) => wayOf((payment ?? refund)!),
          },
          {
            key: 'reference',
            title: 'Reference',
            cell: ({ payment, refund }) =>
              payment?.gone ? (
                <span className="wrong">
                  {payment.gone.kind}: {payment.gone.reason}
                </span>
              ) : (
                <span className="soft">
                  {payment ? payment.reference : `refund${refund!.reference && `: ${refund!.reference}`}`}
                </span>
              ),
          },
          {
            key: 'amount',
            title: 'Amount',
            figure: true,
            cell: ({ payment, refund }) =>
              payment ? showDecimal(payment.amount) : `−${showDecimal(refund!.amount)}`,
          },
          {
            key: 'act',
            title: '',
            className: 'nowrap',
            cell: ({ payment }) =>
              payment && (
                <OfPayment payment={payment} mayRecord={agreement.mayRecord} reverse={setReversing} />
              ),
          },
        ]}
      />
      {owesBeside && (
        <p className="wrong">
          The customer owes {showDecimal(withoutSign(agreement.credit))} beside the invoices: it was refunded,
          and the payment it came from was returned. The next payment covers it first.
        </p>
      )}
      {hasCredit && (
        <p>
          {showDecimal(agreement.credit)} is kept as customer credit. It pays the next invoice by itself.{' '}
          {agreement.mayRecord && (
            <>
              {isOpen && (
                <Button size="small" loading={busy} onClick={() => void put()}>
                  Apply to open invoices
                </Button>
              )}{' '}
              <Button size="small" onClick={() => setRefunding(true)}>
                Refund
              </Button>
            </>
          )}
        </p>
      )}
      {elsewhere.map(({ id, number, title, credit }) => (
        <p key={id}>
          Credit on agreement {number}, {title}: {showDecimal(credit)}{' '}
          <Button size="small" loading={busy} onClick={() => void put(id)}>
            Apply it here
          </Button>
        </p>
      ))}
      {refunding && (
        <RefundDialog
          agreement={agreement}
          refund={actions.refund}
          refundToCard={actions.refundToCard}
          close={() => setRefunding(false)}
        />
      )}
      {reversing && (
        <ReversalDialog
          payment={reversing.payment}
          kind={reversing.kind}
          today={agreement.today}
          reverse={actions.reverse}
          close={() => setReversing(null)}
        />
      )}
    </>
  );
}
