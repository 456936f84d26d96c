'use client';

import { Alert, App, Form, Input, Modal, Radio } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { AgreementAtDesk } from '@/acts/agreements/read';
import { isNothing, showDecimal } from '@/core/number';
import type { PaymentInput } from '@/model';
import type { AgreementActions } from './AgreementPage';

type Fields = Pick<PaymentInput, 'method' | 'amount' | 'receivedOn' | 'reference'>;

/** Records a cheque, a transfer or cash; it goes to the open invoices, oldest first. */
export function PaymentDialog({
  agreement,
  record,
  close,
}: {
  agreement: AgreementAtDesk;
  record: AgreementActions['record'];
  close: () => void;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [form] = Form.useForm<Fields>();
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [key] = useState(() => crypto.randomUUID());
  const oldest = agreement.invoices.find(({ open }) => !isNothing(open));

  // An invoice issued a moment ago may arrive while this is open already; what was typed stays.
  const due = oldest?.open ?? '';
  useEffect(() => {
    if (!form.isFieldTouched('amount')) form.setFieldValue('amount', due);
  }, [form, due]);

  const submit = async (fields: Fields) => {
    setBusy(true);
    const amount = fields.amount.replace(/[,\s]/g, '');
    const answer = await record({
      agreementId: agreement.id,
      ...fields,
      amount,
      reference: fields.reference ?? '',
      idempotencyKey: key,
    });
    setBusy(false);
    if (!answer.ok) {
      setRefused(answer.problem.detail);
      return;
    }
    message.success(`${showDecimal(amount)} recorded.`);
    router.refresh();
    close();
  };

  return (
    <Modal
      open
      title="Record payment"
      okText="Record payment"
      cancelText="Leave it"
      confirmLoading={busy}
      onOk={form.submit}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} style={{ marginBottom: 12 }} />}
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={{
          method: 'transfer',
          amount: due,
          receivedOn: agreement.today,
          reference: '',
        }}
        onFinish={submit}
      >
        <Form.Item
          name="amount"
          label={`Amount in ${agreement.currency}`}
          extra={
            oldest
              ? `Goes first to invoice ${oldest.number}, ${showDecimal(oldest.open)} open. What is over stays as credit.`
              : 'No invoice is open: the amount stays as credit.'
          }
          rules={[
            {
              required: true,
              pattern: /^\s*[\d,]+(\.\d{1,2})?\s*$/,
              message: 'Type an amount such as 1,250.00.',
            },
          ]}
        >
          <Input autoFocus inputMode="decimal" />
        </Form.Item>
        <Form.Item name="method" label="How it came">
          <Radio.Group
            options={[
              { value: 'transfer', label: 'Transfer' },
              { value: 'cheque', label: 'Cheque' },
              { value: 'cash', label: 'Cash' },
            ]}
          />
        </Form.Item>
        <Form.Item
          name="receivedOn"
          label="Received on"
          rules={[{ required: true, message: 'Pick the day.' }]}
        >
          <Input type="date" style={{ width: 180 }} />
        </Form.Item>
        <Form.Item name="reference" label="Reference">
          <Input placeholder="Cheque number, bank text" />
        </Form.Item>
      </Form>
    </Modal>
  );
}
