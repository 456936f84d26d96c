'use client';

import { Alert, Form, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { CopyAddress } from '@/ui/CopyAddress';
import { useSubmit } from '@/ui/useSubmit';
import type { PeopleActions, RoleView } from './actions';

interface Typed {
  readonly email: string;
  readonly name: string;
  readonly roleId: string;
}

/** Invites somebody: a letter goes out, and the link can be handed over by other ways too. */
export function InviteDialog({
  roles,
  invite,
  close,
}: {
  readonly roles: readonly RoleView[];
  readonly invite: PeopleActions['invite'];
  readonly close: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { busy, refused, submit } = useSubmit({ form });
  const [sent, setSent] = useState<{ readonly to: string; readonly address: string } | null>(null);
  const send = (typed: Typed) =>
    submit(() => invite({ ...typed, email: typed.email.trim(), name: typed.name.trim() }), {
      then: ({ address }) => setSent({ to: typed.email.trim(), address }),
    });
  const usual = roles.find(({ kind }) => kind === 'seller') ?? roles[0];
  return (
    <Modal
      open
      title={sent ? 'Invited' : 'Invite somebody'}
      okText={sent ? 'Done' : 'Send the invitation'}
      cancelText="Cancel"
      {...(sent ? { cancelButtonProps: { style: { display: 'none' } } } : {})}
      confirmLoading={busy}
      onOk={() => (sent ? close() : form.submit())}
      onCancel={close}
    >
      {sent ? (
        <>
          <p>
            A letter with a link is on its way to <strong>{sent.to}</strong>. The link is good for a week; you
            can hand it over yourself, too:
          </p>
          <CopyAddress address={sent.address} label="Link of the invitation" />
        </>
      ) : (
        <Form
          form={form}
          layout="vertical"
          requiredMark={false}
          initialValues={{ roleId: usual?.id }}
          onFinish={(typed) => void send(typed)}
        >
          {refused && <Alert type="error" title={refused} className="below" />}
          <Form.Item
            name="email"
            label="Email"
            rules={[
              { required: true, message: 'Type their email.' },
              { type: 'email', message: 'This is no email address.' },
            ]}
          >
            <Input type="email" autoFocus maxLength={200} />
          </Form.Item>
          <Form.Item name="name" label="Name" rules={[{ required: true, message: 'Type their name.' }]}>
            <Input maxLength={120} />
          </Form.Item>
          <Form.Item name="roleId" label="Role">
            <Select options={roles.map(({ id, name }) => ({ value: id, label: name }))} />
          </Form.Item>
          {/* Enter in a field does it. */}
          <button type="submit" hidden />
        </Form>
      )}
    </Modal>
  );
}
