'use client';

import { Alert, Button, Form, Input } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';

interface Given {
  readonly email: string;
  readonly password: string;
}

export function SignIn({ signIn }: { signIn: (given: Given) => Promise<Answer<unknown>> }) {
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async (given: Given) => {
    setBusy(true);
    const answer = await asked(signIn(given));
    setBusy(false);
    if (answer && !answer.ok) setRefused(answer.problem.detail);
  };
  return (
    <main className="sign-in">
      <h1>Impegno</h1>
      <p className="soft">Proposals people can decide on, and every cent of them billed.</p>
      <Form layout="vertical" requiredMark={false} onFinish={submit}>
        {refused && <Alert type="error" title={refused} showIcon className="below" />}
        <Form.Item name="email" label="Email" rules={[{ required: true, message: 'Type your email.' }]}>
          <Input type="email" autoComplete="username" autoFocus />
        </Form.Item>
        <Form.Item
          name="password"
          label="Password"
          rules={[{ required: true, message: 'Type your password.' }]}
        >
          <Input.Password autoComplete="current-password" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy} block>
          Sign in
        </Button>
      </Form>
    </main>
  );
}
