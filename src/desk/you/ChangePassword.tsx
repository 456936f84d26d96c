'use client';

import { Alert, Button, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import { PasswordField } from '@/desk/account/PasswordFields';
import { useSubmit } from '@/ui/useSubmit';
import type { OwnActions } from './actions';

interface Typed {
  readonly now: string;
  readonly password: string;
}

/** One's own password, changed with the one it was. */
export function ChangePassword({
  change,
  email,
}: {
  readonly change: OwnActions['changePassword'];
  readonly email: string;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Change your password</Button>
      {open && <PasswordDialog change={change} email={email} close={() => setOpen(false)} />}
    </>
  );
}

function PasswordDialog({
  change,
  email,
  close,
}: {
  readonly change: OwnActions['changePassword'];
  readonly email: string;
  readonly close: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { busy, refused, submit } = useSubmit();
  const save = ({ now, password }: Typed) =>
    submit(() => change(now, password), {
      said: 'Your password is changed. You are signed out everywhere else.',
      then: close,
    });
  return (
    <Modal
      open
      title="Change your password"
      okText="Change it"
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={() => form.submit()}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form form={form} layout="vertical" requiredMark={false} onFinish={(typed) => void save(typed)}>
        <Input type="hidden" autoComplete="username" value={email} readOnly />
        <Form.Item
          name="now"
          label="Your password as it is now"
          rules={[{ required: true, message: 'Type your password.' }]}
        >
          <Input.Password autoComplete="current-password" autoFocus maxLength={200} />
        </Form.Item>
        <PasswordField label="New password" />
        {/* Enter in a field does it. */}
        <button type="submit" hidden />
      </Form>
    </Modal>
  );
}
