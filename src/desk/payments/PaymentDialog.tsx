'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { Alert, App, Form, Input, Modal, Radio } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { isNothing, minorDigits, parseAmount, showAmount, showDecimal } from '@/core/number';
import { parseMoneyInput } from '@/core/quantity';
import type { Answer, PaymentInput } from '@/model';
import { asked } from '@/ui/asked';
import { useKeptFields } from '@/ui/kept/useKeptFields';

export type RecordPayment = (input: PaymentInput) => Promise<Answer<{ id: string }>>;

/** What a payment is recorded on: an agreement with its invoices; on an invoice's own page, that one first. */
export interface PaymentPlace {
  readonly agreementId: string;
  readonly currency: string;
  readonly today: string;
  readonly invoices: readonly {
    readonly id: string;
    readonly number: string;
    readonly title: string;
    readonly open: string;
  }[];
  readonly first?: string;
}

type Fields = Pick<PaymentInput, 'method' | 'amount' | 'receivedOn' | 'reference'> & {
  readonly where: 'oldest' | 'hand';
  readonly parts?: Readonly<Record<string, string | undefined>>;
};

/** Records a check, a transfer or cash; it goes to the open invoices, the one named first, else oldest first. */
export function PaymentDialog({
  on,
  record,
  close,
}: {
  on: PaymentPlace;
  record: RecordPayment;
  close: () => void;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [form] = Form.useForm<Fields>();
  const [refused, setRefused] = useState<string | null>(null);
  /** What is odd about what was typed; recorded all the same when it is said again. */
  const [doubts, setDoubts] = useState<readonly string[] | null>(null);
  const [busy, setBusy] = useState(false);
  const [key] = useState(() => crypto.randomUUID());
  const open = on.invoices.filter((invoice) => !isNothing(invoice.open));
  const [oldest] = open;
  const where = Form.useWatch('where', form);

  // An invoice issued a moment ago may arrive while this is open already; what was typed stays.
  const due = oldest?.open ?? '';
  useEffect(() => {
    if (!form.isFieldTouched('amount')) form.setFieldValue('amount', due);
  }, [form, due]);

  const digits = minorDigits(on.currency);
  /** What is typed reads as an amount, or says why not. */
  const readable = {
    validator: async (_: unknown, text: string | undefined) => {
      if (text !== undefined && text.trim() !== '') parseMoneyInput(text, digits);
    },
  };
  const values: Fields = {
    method: 'transfer',
    amount: due,
    receivedOn: on.today,
    reference: '',
    where: 'oldest',
    parts: {},
  };
  const { done, notice } = useKeptFields(`payment on ${on.agreementId}`, form, values);
  const submit = async ({ where: how, parts, ...fields }: Fields) => {
    setBusy(true);
    const plain = (text: string) => parseMoneyInput(text, digits);
    const byHand = open.flatMap(({ id }) => {
      const text = parts?.[id] ?? '';
      return text.trim() === '' ? [] : [{ invoiceId: id, amount: plain(text) }];
    });
    const amount = plain(fields.amount);
    const answer = await asked(
      record({
        ...(doubts === null ? {} : { sure: true }),
        agreementId: on.agreementId,
        ...fields,
        amount,
        reference: fields.reference ?? '',
        ...(how === 'hand' ? { parts: byHand } : on.first === undefined ? {} : { first: on.first }),
        idempotencyKey: key,
      }),
    );
    setBusy(false);
    if (!answer.ok) {
      const asks = (answer.problem.context as { doubts?: readonly string[] } | undefined)?.doubts;
      setDoubts(asks ?? null);
      setRefused(asks ? null : answer.problem.detail);
      return;
    }
    done();
    message.success(`${showAmount(parseAmount(amount, digits), digits)} recorded.`);
    router.refresh();
    close();
  };

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
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      {doubts && (
        <Alert
          type="warning"
          title="Is this so?"
          description={doubts.map((doubt) => (
            <p key={doubt}>{doubt}</p>
          ))}
          className="below"
        />
      )}
      <Form
        form={form}
        disabled={busy}
        onValuesChange={() => setDoubts(null)}
        layout="vertical"
        requiredMark={false}
        initialValues={values}
        onFinish={submit}
      >
        <Form.Item
          name="amount"
          label={`Amount in ${on.currency}`}
          extra={
            oldest
              ? `Goes first to invoice ${oldest.number}, ${showDecimal(oldest.open)} open. What is over ${
                  on.first === undefined
                    ? 'stays as credit'
                    : 'goes on others that are open, then stays as credit'
                }.`
              : 'No invoice is open: the amount stays as credit.'
          }
          rules={[{ required: true, message: 'Type an amount such as 1,250.00.' }, readable]}
        >
          <Input autoFocus inputMode="decimal" />
        </Form.Item>
        <Form.Item name="method" label="How it came">
          <Radio.Group
            options={[
              { value: 'transfer', label: 'Transfer' },
              { value: 'cheque', label: 'Check' },
              { value: 'cash', label: 'Cash' },
            ]}
          />
        </Form.Item>
        <Form.Item
          name="receivedOn"
          label="Received on"
          rules={[{ required: true, message: 'Pick the day.' }]}
        >
          <DayPicker max={on.today} />
        </Form.Item>
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
        <Form.Item name="reference" label="Reference">
          <Input placeholder="Check number, bank text" />
        </Form.Item>
      </Form>
    </Modal>
  );
}
