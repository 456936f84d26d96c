import { Alert, Button, Form, Input } from 'antd';
import { looksLikeAddresses } from '@/core/text/recipients';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { Sending } from './useSending';

/** To whom it goes, and the words to go with it. */
export function SendForm({
  proposal,
  sending: { form, finish, busy, refused, blocked, needsYes },
}: {
  readonly proposal: ProposalAtDesk;
  readonly sending: Sending;
}) {
  const last = proposal.revisions[0];
  const act = last
    ? `Send as revision ${last.number + 1}`
    : proposal.change
      ? 'Send change order'
      : 'Send proposal';
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      onFinish={finish}
      initialValues={{ to: proposal.customer.sendsTo.to, words: '' }}
    >
      <Form.Item
        name="to"
        label="To"
        rules={[
          {
            validator: (_, text: string) =>
              looksLikeAddresses(text)
                ? Promise.resolve()
                : Promise.reject(new Error('Type an email address, or several with commas.')),
          },
        ]}
      >
        <Input />
      </Form.Item>
      <Form.Item name="words" label="A word to go with it">
        <Input.TextArea
          rows={3}
          autoSize={{ minRows: 3 }}
          maxLength={4000}
          placeholder={`Good day ${proposal.customer.sendsTo.name}, …`}
        />
      </Form.Item>
      {refused && <Alert type="error" title={refused} className="below" />}
      <Button type="primary" htmlType="submit" loading={busy} disabled={blocked || needsYes}>
        {act}
      </Button>
    </Form>
  );
}
