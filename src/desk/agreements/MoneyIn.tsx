'use client';

import { Alert, App, Button, Input, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer, CreditUseInput, RefundInput, ReversalInput } from '@/model';
import { RefundDialog } from './RefundDialog';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';

export interface MoneyInActions {
  readonly putCredit: (input: CreditUseInput) => Promise<Answer<{ put: string }>>;
  readonly refund: (input: RefundInput) => Promise<Answer<{ id: string }>>;
  readonly reverse: (input: ReversalInput) => Promise<Answer<void>>;
}

type Received = AgreementAtDesk['received'][number];

/** What came in on an agreement, what went back, and the customer's credit. */
export function MoneyIn({ agreement, actions }: { agreement: AgreementAtDesk; actions: MoneyInActions }) {
  const router = useRouter();
  const { message } = App.useApp();
  const [refunding, setRefunding] = useState(false);
  const [reversing, setReversing] = useState<Received | null>(null);
  const owesBeside = agreement.credit.startsWith('-');
  const hasCredit = !isNothing(agreement.credit) && !owesBeside;
  const isOpen = agreement.invoices.some(({ open }) => !isNothing(open));
  const elsewhere = isOpen && agreement.mayRecord ? agreement.creditElsewhere : [];
  if (agreement.received.length === 0 && !hasCredit && !owesBeside && elsewhere.length === 0) return null;
  const put = async (from?: string) => {
    const answer = await asked(actions.putCredit({ agreementId: agreement.id, ...(from ? { from } : {}) }));
    if (answer.ok) {
      message.success(`${showDecimal(answer.value.put)} of the credit pays what was open.`);
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
              <td>{row.method}</td>
              <td className="soft">
                {row.back === null ? row.reference : <span className="wrong">went back: {row.back}</span>}
              </td>
              <td className="amount">{showDecimal(row.amount)}</td>
              <td className="nowrap">
                <a href={`/api/v1/payments/${row.id}/receipt.pdf`}>Receipt</a>
                {agreement.mayRecord && row.back === null && (
                  <>
                    {' · '}
                    <button type="button" className="text-act" onClick={() => setReversing(row)}>
                      Say it went back
                    </button>
                  </>
                )}
              </td>
            </tr>
          ))}
          {agreement.refunds.map((row) => (
            <tr key={row.id}>
              <td className="nowrap">{showShortDate(row.paidOn)}</td>
              <td>{row.method}</td>
              <td className="soft">paid back{row.reference && `: ${row.reference}`}</td>
              <td className="amount">−{showDecimal(row.amount)}</td>
              <td />
            </tr>
          ))}
        </tbody>
      </table>
      {owesBeside && (
        <p className="wrong">
          The customer owes {showDecimal(agreement.credit.replace('-', ''))} beside the invoices: it was paid
          back to them, and the payment it came from was returned. The next payment covers it first.
        </p>
      )}
      {hasCredit && (
        <p>
          {showDecimal(agreement.credit)} is to the customer’s credit. It pays the next invoice by itself.{' '}
          {agreement.mayRecord && (
            <>
              {isOpen && (
                <Button size="small" onClick={() => void put()}>
                  Put it on what is open
                </Button>
              )}{' '}
              <Button size="small" onClick={() => setRefunding(true)}>
                Pay it back
              </Button>
            </>
          )}
        </p>
      )}
      {elsewhere.map(({ id, number, title, credit }) => (
        <p key={id}>
          Credit on agreement {number}, {title}: {showDecimal(credit)}{' '}
          <Button size="small" onClick={() => void put(id)}>
            Use it here
          </Button>
        </p>
      ))}
      {refunding && (
        <RefundDialog agreement={agreement} refund={actions.refund} close={() => setRefunding(false)} />
      )}
      {reversing && (
        <ReversalDialog
          payment={reversing}
          today={agreement.today}
          reverse={actions.reverse}
          close={() => setReversing(null)}
        />
      )}
    </>
  );
}

/** Asks once why a payment did not stay; the invoices it paid are open again. */
function ReversalDialog({
  payment,
  today,
  reverse,
  close,
}: {
  payment: Received;
  today: string;
  reverse: MoneyInActions['reverse'];
  close: () => void;
}) {
  const router = useRouter();
  const [reason, setReason] = useState('');
  const [on, setOn] = useState(today);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [key] = useState(() => crypto.randomUUID());
  const { done, notice } = useKeptForm(
    `return of ${payment.id}`,
    { reason, on },
    { reason: '', on: today },
    (kept) => {
      setReason(kept.reason);
      setOn(kept.on);
    },
  );
  const submit = async () => {
    setBusy(true);
    const answer = await asked(
      reverse({ paymentId: payment.id, reason: reason.trim(), on, idempotencyKey: key }),
    );
    setBusy(false);
    if (!answer.ok) setRefused(answer.problem.detail);
    else {
      done();
      router.refresh();
      close();
    }
  };
  return (
    <Modal
      open
      title={`${showDecimal(payment.amount)} went back`}
      okText="It went back"
      cancelText="Leave it"
      okButtonProps={{ disabled: reason.trim() === '' }}
      confirmLoading={busy}
      onOk={submit}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} style={{ marginBottom: 10 }} />}
      <label className="bill-field">
        Why
        <Input
          value={reason}
          maxLength={200}
          placeholder="Cheque returned, payment disputed"
          onChange={({ target }) => setReason(target.value)}
        />
      </label>
      <label className="bill-field">
        On
        <Input
          type="date"
          style={{ width: 180 }}
          max={today}
          value={on}
          onChange={({ target }) => setOn(target.value)}
        />
      </label>
      <p className="soft">The invoices it paid are open again. Nothing is deleted.</p>
    </Modal>
  );
}
