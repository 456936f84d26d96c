'use client';

import { methodName } from '@/core/text/names';
import { App, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isBelowZero, isNothing, showDecimal, withoutSign } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { MoneyInActions, Received, Reversal } from './moneyInActions';
import { ReversalDialog } from './ReversalDialog';
import { RefundDialog } from './RefundDialog';
import { asked } from '@/ui/asked';

/** What came in on an agreement, what went back, and the customer's credit. */
export function MoneyIn({ agreement, actions }: { agreement: AgreementAtDesk; actions: MoneyInActions }) {
  const router = useRouter();
  const { message } = App.useApp();
  const [refunding, setRefunding] = useState(false);
  const [reversing, setReversing] = useState<{ payment: Received; kind: Reversal } | null>(null);
  const owesBeside = isBelowZero(agreement.credit);
  const hasCredit = !isNothing(agreement.credit) && !owesBeside;
  const isOpen = agreement.invoices.some(({ open }) => !isNothing(open));
  const elsewhere = isOpen && agreement.mayRecord ? agreement.creditElsewhere : [];
  if (agreement.received.length === 0 && !hasCredit && !owesBeside && elsewhere.length === 0) return null;
  const put = async (from?: string) => {
    const answer = await asked(actions.putCredit({ agreementId: agreement.id, ...(from ? { from } : {}) }));
    if (answer.ok) {
      message.success(`${showDecimal(answer.value.put)} of the credit is applied to open invoices.`);
      router.refresh();
    } else message.error(answer.problem.detail);
  };
  return (
    <>
      <h2>Received</h2>
      <table className="table-plain" aria-label="Received">
        <tbody>
          {agreement.received.map((row) => (
            <tr key={row.id}>
              <td className="nowrap">{showShortDate(row.receivedOn)}</td>
              <td>{methodName(row.method)}</td>
              <td className="soft">
                {row.gone === null ? (
                  row.reference
                ) : (
                  <span className="wrong">
                    {row.gone.kind}: {row.gone.reason}
                  </span>
                )}
              </td>
              <td className="amount">{showDecimal(row.amount)}</td>
              <td className="nowrap">
                <a href={`/api/v1/payments/${row.id}/receipt.pdf`}>Receipt</a>
                {agreement.mayRecord && row.gone === null && (
                  <>
                    {' · '}
                    <button
                      type="button"
                      className="text-act"
                      onClick={() => setReversing({ payment: row, kind: 'returned' })}
                    >
                      Payment returned
                    </button>
                    {row.method !== 'card' && (
                      <>
                        {' · '}
                        <button
                          type="button"
                          className="text-act"
                          onClick={() => setReversing({ payment: row, kind: 'void' })}
                        >
                          Void
                        </button>
                      </>
                    )}
                  </>
                )}
              </td>
            </tr>
          ))}
          {agreement.refunds.map((row) => (
            <tr key={row.id}>
              <td className="nowrap">{showShortDate(row.paidOn)}</td>
              <td>{methodName(row.method)}</td>
              <td className="soft">refund{row.reference && `: ${row.reference}`}</td>
              <td className="amount">−{showDecimal(row.amount)}</td>
              <td />
            </tr>
          ))}
        </tbody>
      </table>
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
                <Button size="small" onClick={() => void put()}>
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
          <Button size="small" onClick={() => void put(id)}>
            Apply it here
          </Button>
        </p>
      ))}
      {refunding && (
        <RefundDialog agreement={agreement} refund={actions.refund} close={() => setRefunding(false)} />
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
