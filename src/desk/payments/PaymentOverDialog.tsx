'use client';

import { Alert, Button, Form, Input, Modal } from 'antd';
import { openOn } from '@/core/billing';
import { isNothing, showDecimal } from '@/core/number';
import { Doubts, HowItCame, Reference } from './paymentFields';
import type { Payer, PaymentOver, RecordPaymentOver } from './usePaymentOver';
import { usePaymentOver } from './usePaymentOver';
import './paymentOver.css';

export type { RecordPaymentOver } from './usePaymentOver';

/** What of the sum goes on which agreement, with what is open there. */
function OnAgreements({
  agreements,
  payment: { money, payable, left, textOf, isWrong, byHand, say, shareOut },
}: Pick<Payer, 'agreements'> & { readonly payment: PaymentOver }) {
  return (
    <fieldset className="payment-over">
      <legend>It goes on</legend>
      {agreements.map(({ id, number, title }, at) => (
        <label key={id} className="payment-over-row">
          <span>
            {number} {title}
            <span className="soft block">
              {openOn(payable[at]!) === 0n ? 'nothing is open' : `${money.show(openOn(payable[at]!))} open`}
            </span>
          </span>
          <Input
            inputMode="decimal"
            aria-label={`Of it on ${title}`}
            value={textOf(id)}
            {...(isWrong(id) ? { status: 'error' as const } : {})}
            onChange={({ target }) => say(id, target.value)}
          />
        </label>
      ))}
      {left !== null && left !== 0n && (
        <p className="wrong" role="status">
          {left > 0n
            ? `${money.show(left)} is on nothing yet.`
            : `${money.show(-left)} more than was received.`}
        </p>
      )}
      {byHand && (
        <Button size="small" type="link" onClick={shareOut}>
          Share it out: what is due first
        </Button>
      )}
    </fieldset>
  );
}

/**
 * Records one sum of a customer for several agreements: shared out to what is due first, or, where somebody says so, by hand;
 * what is left over is credit.
 */
export function PaymentOverDialog({
  found,
  record,
  close,
}: {
  readonly found: Payer;
  readonly record: RecordPaymentOver;
  readonly close: () => void;
}) {
  const payment = usePaymentOver(found, record, close);
  const { form, busy, refused, doubts } = payment;
  const { customer, agreements, owed, today } = found;
  return (
    <Modal
      open
      title={`Record payment of ${customer.name}`}
      okText={doubts === null ? 'Record payment' : 'Record it all the same'}
      cancelText="Cancel"
      confirmLoading={busy}
      okButtonProps={{ disabled: !payment.ready }}
      onOk={form.submit}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      {doubts && <Doubts doubts={doubts} />}
      <Form
        form={form}
        disabled={busy}
        layout="vertical"
        requiredMark={false}
        initialValues={payment.values}
        onValuesChange={payment.forgetDoubts}
        onFinish={payment.finish}
      >
        <Form.Item
          name="amount"
          label={`Amount in ${owed.currency}`}
          extra={isNothing(owed.open) ? 'Nothing is open.' : `${showDecimal(owed.open)} are open.`}
          rules={[{ required: true, message: 'Type an amount such as 1,250.00.' }]}
        >
          <Input autoFocus inputMode="decimal" />
        </Form.Item>
        <HowItCame today={today} />
        <Reference />
        <OnAgreements agreements={agreements} payment={payment} />
      </Form>
    </Modal>
  );
}
