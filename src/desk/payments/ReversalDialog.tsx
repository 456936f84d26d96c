'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { Alert, Input, Modal } from 'antd';
import { useState } from 'react';
import { showDecimal } from '@/core/number';
import type { MoneyInActions, Received, Reversal } from './moneyInActions';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';

const said: Readonly<Record<Reversal, { title: string; act: string; example: string; then: string }>> = {
  returned: {
    title: 'returned',
    act: 'Payment returned',
    example: 'Check returned, not enough funds',
    then: 'The invoices it paid are open again. The payment stays on record as returned.',
  },
  void: {
    title: 'recorded by mistake',
    act: 'Void payment',
    example: 'Typed twice, wrong customer',
    then: 'It counts on no day, and the invoices it paid are open again. It stays on record as void.',
  },
};

/** Asks once how a payment is gone: the bank returned it, or it was recorded by mistake. */
export function ReversalDialog({
  payment,
  kind,
  today,
  reverse,
  close,
}: {
  payment: Received;
  kind: Reversal;
  today: string;
  reverse: MoneyInActions['reverse'];
  close: () => void;
}) {
  const [reason, setReason] = useState('');
  const [on, setOn] = useState(today);
  const { busy, refused, submit } = useSubmit();
  const [key] = useState(() => crypto.randomUUID());
  const { done, notice } = useKeptForm(
    `${kind === 'void' ? 'void' : 'return'} of ${payment.id}`,
    { reason, on },
    { reason: '', on: today },
    (kept) => {
      setReason(kept.reason);
      setOn(kept.on);
    },
  );
  const send = () =>
    submit(
      () =>
        reverse({
          paymentId: payment.id,
          kind,
          reason: reason.trim(),
          ...(kind === 'returned' ? { on } : {}),
          idempotencyKey: key,
        }),
      {
        then: () => {
          done();
          close();
        },
      },
    );
  return (
    <Modal
      open
      title={`${showDecimal(payment.amount)} ${said[kind].title}`}
      okText={said[kind].act}
      cancelText="Cancel"
      okButtonProps={{ disabled: reason.trim() === '' }}
      confirmLoading={busy}
      onOk={send}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <label className="bill-field">
        Why
        <Input
          value={reason}
          maxLength={200}
          placeholder={said[kind].example}
          onChange={({ target }) => setReason(target.value)}
        />
      </label>
      {kind === 'returned' && (
        <label className="bill-field">
          On
          <DayPicker allowClear={false} max={today} value={on} onChange={(day) => day && setOn(day)} />
        </label>
      )}
      <p className="soft">{said[kind].then}</p>
    </Modal>
  );
}
