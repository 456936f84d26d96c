'use client';

import { Alert, Form, Input, Modal, Radio } from 'antd';
import { showDecimal } from '@/core/number';
import { Doubts, HowItCame, Reference } from './paymentFields';
import type { PaymentPlace, RecordPayment } from './usePaymentForm';
import { usePaymentForm } from './usePaymentForm';

export type { PaymentPlace, RecordPayment } from './usePaymentForm';

/** On what the amount goes, before it is said by hand. */
function goesOn({ first, invoices }: Pick<PaymentPlace, 'first'> & { invoices: PaymentPlace['invoices'] }) {
  const [oldest] = invoices;
  if (!oldest) return 'No invoice is open: the amount stays as credit.';
  const over = first === undefined ? 'stays as credit' : 'goes on others that are open, then stays as credit';
  return `Goes first to invoice ${oldest.number}, ${showDecimal(oldest.open)} open. What is over ${over}.`;
}

/** Records a check, a transfer or cash; it goes to the open invoices, the one named first, else oldest first. */
export function PaymentDialog({
  on,
  record,
  close,
}: {
  readonly on: PaymentPlace;
  readonly record: RecordPayment;
  readonly close: () => void;
}) {
  const payment = usePaymentForm(on, record, close);
  const { form, open, busy, refused, doubts, readable } = payment;
  const where = Form.useWatch('where', form);
  return (
    <Modal
      open
      title="Record payment"
      okText={doubts === null ? 'Record payment' : 'Record it all the same'}
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={form.submit}
      onCancel={close}
    >
      {payment.notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      {doubts && <Doubts doubts={doubts} />}
      <Form
        form={form}
        disabled={busy}
        onValuesChange={payment.forgetDoubts}
        layout="vertical"
        requiredMark={false}
        initialValues={payment.values}
        onFinish={payment.finish}
      >
        <Form.Item
          name="amount"
          label={`Amount in ${on.currency}`}
          extra={goesOn({ ...on, invoices: open })}
          rules={[{ required: true, message: 'Type an amount such as 1,250.00.' }, readable]}
        >
          <Input autoFocus inputMode="decimal" />
        </Form.Item>
        <HowItCame today={on.today} />
        {open.length > 1 && (
          <Form.Item name="where" label="It goes on">
            <Radio.Group
              options={[
                { value: 'oldest', label: 'what is open, oldest first' },
                { value: 'hand', label: 'these invoices' },
              ]}
            />
          </Form.Item>
        )}
        {where === 'hand' &&
          open.map((invoice) => (
            <Form.Item
              key={invoice.id}
              name={['parts', invoice.id]}
              label={`${invoice.number} ${invoice.title}, ${showDecimal(invoice.open)} open`}
              rules={[readable]}
            >
              <Input inputMode="decimal" className="wide-choice" />
            </Form.Item>
          ))}
        <Reference />
      </Form>
    </Modal>
  );
}
