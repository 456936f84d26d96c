'use client';

import { Alert, Button, Form, Input } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { AccountFrame } from './AccountFrame';

/** The second step: six digits of the authenticator, or a recovery code. */
export function CodeStep({
  send,
  again,
}: {
  readonly send: (code: string) => Promise<Answer<unknown>>;
  /** The password has to be typed again, and why. */
  readonly again: (why: string | null) => void;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async ({ code }: { code: string }) => {
    setBusy(true);
    const answer = await asked(send(code.trim()));
    setBusy(false);
    if (!answer || answer.ok) return;
    if (answer.problem.code === 'sign-in-again') again(answer.problem.detail);
    else setRefused(answer.problem.detail);
  };
  return (
    <AccountFrame title="One step more" says="Type the six digits your authenticator shows now.">
      <Form layout="vertical" requiredMark={false} onFinish={submit}>
        {refused && <Alert type="error" title={refused} showIcon className="below" />}
        <Form.Item
          name="code"
          label="Code"
          extra="Without the authenticator: one of your recovery codes."
          rules={[{ required: true, message: 'Type the code.' }]}
        >
          <Input autoComplete="one-time-code" autoFocus maxLength={40} />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy} block>
          Sign in
        </Button>
      </Form>
      <p className="sign-in-more">
        <button type="button" className="as-link" onClick={() => again(null)}>
          Back to address and password
        </button>
      </p>
    </AccountFrame>
  );
}
