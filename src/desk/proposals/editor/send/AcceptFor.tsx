'use client';

import { Alert, Form, Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { showDecimal } from '@/core/number';
import type { Answer, Told } from '@/model';
import { DayPicker } from '@/ui/fields/DayPicker';
import { useKeptFields } from '@/ui/kept/useKeptFields';
import { useSubmit } from '@/ui/useSubmit';

export type AcceptForCustomer = (input: unknown) => Promise<Answer<{ agreementId: string }>>;

interface Fields {
  readonly signerName: string;
  readonly how: Told['how'];
  readonly on: string;
  readonly words: string;
}

/** Who most likely said it: the contact, or the customer by their whole name where the contact is their first name. */
const signerOf = ({ name, contactName }: ProposalAtDesk['customer']) =>
  contactName === '' || name.includes(contactName) ? name : contactName;

/** Records a yes on the customer's behalf: who said it, how and when, to which total. */
export function AcceptFor({
  proposal,
  accept,
  close,
}: {
  readonly proposal: ProposalAtDesk;
  readonly accept: AcceptForCustomer;
  readonly close: () => void;
}) {
  const [form] = Form.useForm<Fields>();
  const { busy, refused, submit } = useSubmit({ form });
  const [key] = useState(() => crypto.randomUUID());
  const { decided } = proposal;
  const values: Fields = {
    signerName: signerOf(proposal.customer),
    how: 'by phone',
    on: decided?.today ?? '',
    words: '',
  };
  const { done, notice } = useKeptFields(`yes to ${proposal.id}`, form, values);
  if (!decided) return null;
  const record = ({ signerName, ...told }: Fields) =>
    submit(
      () =>
        accept({
          proposalId: proposal.id,
          revisionId: decided.revisionId,
          total: decided.total,
          signerName,
          told: { kind: 'told', ...told },
          idempotencyKey: key,
        }),
      {
        said: 'It is accepted.',
        then: () => done(),
        to: ({ agreementId }) => `/agreements/${agreementId}`,
      },
    );
  return (
    <Modal
      open
      title="The customer said yes"
      okText="Record their yes"
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={form.submit}
      onCancel={close}
    >
      <p>
        To revision {decided.revision} for <strong>{showDecimal(decided.total)}</strong>, including tax
        {decided.words.length > 0 ? `, with ${decided.words.join(', ')}` : ', as suggested'}. If they want
        other choices, make them in the preview first.
      </p>
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form
        name="yes"
        form={form}
        disabled={busy}
        layout="vertical"
        requiredMark={false}
        initialValues={values}
        onFinish={record}
      >
        <Form.Item
          name="signerName"
          label="Who said yes"
          rules={[{ required: true, whitespace: true, message: 'Type who said yes.' }]}
        >
          <Input autoFocus maxLength={200} />
        </Form.Item>
        <Form.Item name="how" label="How">
          <Radio.Group options={['by phone', 'in person', 'by letter', 'by mail']} />
        </Form.Item>
        <Form.Item name="on" label="On" rules={[{ required: true, message: 'Pick the day.' }]}>
          <DayPicker max={decided.today} />
        </Form.Item>
        <Form.Item name="words" label="What was said">
          <Input.TextArea rows={2} maxLength={2000} />
        </Form.Item>
      </Form>
      <p className="soft">They get a mail that says so. It stands on the certificate as recorded by you.</p>
    </Modal>
  );
}
