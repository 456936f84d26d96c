'use client';

import { Alert, Button, Form, Input } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { AccountFrame } from './AccountFrame';

/** Asks for a link to set a new password. What it answers does not tell who signs in here. */
export function Forgotten({
  send,
  simulated,
}: {
  readonly send: (email: string) => Promise<Answer<unknown>>;
  /** Letters do not leave the machine. */
  readonly simulated: boolean;
}) {
  const [sent, setSent] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async ({ email }: { email: string }) => {
    setBusy(true);
    const answer = await asked(send(email.trim()));
    setBusy(false);
    if (answer.ok) setSent(email.trim());
    else setRefused(answer.problem.detail);
  };
  return (
    <AccountFrame
      title="A new password"
      says="A letter with a link goes to the address you sign in with. It is good for an hour."
    >
      {sent ? (
        <Alert
          type="success"
          showIcon
          title={`If somebody signs in with ${sent}, a letter is on its way there.`}
          description={
            simulated &&
            'Letters are simulated here and do not leave the machine: whoever runs it reads them with “npm run letters”.'
          }
        />
      ) : (
        <Form layout="vertical" requiredMark={false} onFinish={submit}>
          {refused && <Alert type="error" title={refused} showIcon className="below" />}
          <Form.Item name="email" label="Email" rules={[{ required: true, message: 'Type your email.' }]}>
            <Input type="email" autoComplete="username" autoFocus />
          </Form.Item>
          <Button type="primary" htmlType="submit" loading={busy} block>
            Send the letter
          </Button>
        </Form>
      )}
      <p className="sign-in-more">
        <Link href="/sign-in" prefetch={false}>
          Back to sign in
        </Link>
      </p>
    </AccountFrame>
  );
}
