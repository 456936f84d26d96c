'use client';

import { capital } from '@/core/text/capital';
import { methodName } from '@/core/text/names';
import { handMethods } from '@/model/paymentMethods';
import { DayPicker } from '@/ui/fields/DayPicker';
import { Alert, Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { showDecimal } from '@/core/number';
import type { RefundInput } from '@/model';
import { parseMoneyInput } from '@/core/quantity';
import type { MoneyInActions } from './moneyInActions';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';

/** Records that credit of the customer was paid back. */
export function RefundDialog({
  agreement,
  refund,
  close,
}: {
  agreement: AgreementAtDesk;
  refund: MoneyInActions['refund'];
  close: () => void;
}) {
  const [amount, setAmount] = useState(agreement.credit);
  const [method, setMethod] = useState<RefundInput['method']>('transfer');
  const [paidOn, setPaidOn] = useState(agreement.today);
  const [reference, setReference] = useState('');
  const { busy, refused, setRefused, submit } = useSubmit();
  const [key] = useState(() => crypto.randomUUID());
  const { done, notice } = useKeptForm<Pick<RefundInput, 'amount' | 'method' | 'paidOn' | 'reference'>>(
    `refund of ${agreement.id}`,
    { amount, method, paidOn, reference },
    { amount: agreement.credit, method: 'transfer', paidOn: agreement.today, reference: '' },
    (kept) => {
      setAmount(kept.amount);
      setMethod(kept.method);
      setPaidOn(kept.paidOn);
      setReference(kept.reference);
    },
  );
  const send = async () => {
    setRefused(null);
    let value: string;
    try {
      value = parseMoneyInput(amount, agreement.digits);
    } catch (error) {
      setRefused((error as Error).message);
      return;
    }
    await submit(
      () =>
        refund({
          agreementId: agreement.id,
          amount: value,
          method,
          paidOn,
          reference,
          idempotencyKey: key,
        }),
      {
        then: () => {
          done();
          close();
        },
      },
    );
  };
  return (
    <Modal
      open
      title="Refund credit"
      okText="Record refund"
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={send}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <label className="bill-field">
        Amount in {agreement.currency}, at most {showDecimal(agreement.credit)}
        <Input className="wide-choice" value={amount} onChange={({ target }) => setAmount(target.value)} />
      </label>
      <Radio.Group
        aria-label="How it went"
        value={method}
        onChange={({ target }) => setMethod(target.value as RefundInput['method'])}
        options={handMethods.map((value) => ({ value, label: capital(methodName(value)) }))}
      />
      <label className="bill-field">
        Paid on
        <DayPicker allowClear={false} value={paidOn} onChange={(day) => day && setPaidOn(day)} />
      </label>
      <label className="bill-field">
        Reference
        <Input value={reference} maxLength={200} onChange={({ target }) => setReference(target.value)} />
      </label>
    </Modal>
  );
}
