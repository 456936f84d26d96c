'use client';

import { Alert, Button, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import { useSubmit } from '@/ui/useSubmit';
import type { OwnActions } from './actions';

interface Typed {
  readonly email: string;
  readonly password: string;
}

/** The address one signs in with: another one counts once a letter there was opened. */
export function ChangeEmail({
  ask,
  email,
}: {
  readonly ask: OwnActions['askForEmail'];
  readonly email: string;
}) {
  const [open, setOpen] = useState(false);
  const [sentTo, setSentTo] = useState<string | null>(null);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Change your address</Button>
      {sentTo !== null && (
        <p role="status">
          A letter is on its way to {sentTo}. Open its link within an hour; until then you sign in as before.
        </p>
      )}
      {open && (
        <EmailDialog
          ask={ask}
          email={email}
          done={(to) => {
            setSentTo(to);
            setOpen(false);
          }}
          close={() => setOpen(false)}
        />
      )}
    </>
  );
}

function EmailDialog({
  ask,
  email,
  done,
  close,
}: {
  readonly ask: OwnActions['askForEmail'];
  readonly email: string;
  readonly done: (to: string) => void;
  readonly close: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const { busy, refused, submit } = useSubmit({ form });
  const send = ({ email: wanted, password }: Typed) =>
    submit(() => ask(wanted, password), { then: () => done(wanted.trim()) });
  return (
    <Modal
      open
      title="Change the address you sign in with"
      okText="Send the letter"
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={() => form.submit()}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <p className="soft">It is {email}. The new one gets a letter with a link; opened, it counts.</p>
      <Form form={form} layout="vertical" requiredMark={false} onFinish={(typed) => void send(typed)}>
        <Form.Item
          name="email"
          label="New email"
          normalize={(typed: string) => typed.trim()}
          rules={[
            { required: true, message: 'Type the address.' },
            { type: 'email', message: 'This is no email address.' },
          ]}
        >
          <Input type="email" autoComplete="off" autoFocus maxLength={200} />
        </Form.Item>
        <Form.Item
          name="password"
          label="Your password"
          rules={[{ required: true, message: 'Type your password.' }]}
        >
          <Input.Password autoComplete="current-password" maxLength={200} />
        </Form.Item>
        {/* Enter in a field does it. */}
        <button type="submit" hidden />
      </Form>
    </Modal>
  );
}
