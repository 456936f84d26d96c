'use client';

import { Alert, Button, Form, Input } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { AccountFrame } from './AccountFrame';
import { CodeStep } from './CodeStep';

interface Given {
  readonly email: string;
  readonly password: string;
}

export interface SignInActions {
  readonly signIn: (given: Given & { readonly to?: string }) => Promise<Answer<{ readonly ticket: string }>>;
  readonly withCode: (given: {
    readonly ticket: string;
    readonly code: string;
    readonly to?: string;
  }) => Promise<Answer<unknown>>;
}

/** Address and password, then a code where an authenticator is set up. */
export function SignIn({
  actions,
  to,
  demo,
  email,
}: {
  readonly actions: SignInActions;
  /** Where it leads on, where that is not Today. */
  readonly to?: string;
  /** The account of a demo, which may be told to everybody. */
  readonly demo?: Given;
  readonly email?: string;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [ticket, setTicket] = useState<string | null>(null);
  const on = to === undefined ? {} : { to };
  const submit = async (given: Given) => {
    setBusy(true);
    const answer = await asked(actions.signIn({ ...given, ...on }));
    setBusy(false);
    if (!answer) return;
    if (!answer.ok) return setRefused(answer.problem.detail);
    setRefused(null);
    setTicket(answer.value.ticket);
  };
  if (ticket)
    return (
      <CodeStep
        send={(code) => actions.withCode({ ticket, code, ...on })}
        again={(why) => {
          setRefused(why);
          setTicket(null);
        }}
      />
    );
  return (
    <AccountFrame title="Impegno" says="Proposals people can decide on, and every cent of them billed.">
      <Form layout="vertical" requiredMark={false} onFinish={submit} initialValues={{ email }}>
        {refused && <Alert type="error" title={refused} showIcon className="below" />}
        <Form.Item name="email" label="Email" rules={[{ required: true, message: 'Type your email.' }]}>
          <Input type="email" autoComplete="username" autoFocus={email === undefined} />
        </Form.Item>
        <Form.Item
          name="password"
          label="Password"
          rules={[{ required: true, message: 'Type your password.' }]}
        >
          <Input.Password autoComplete="current-password" autoFocus={email !== undefined} />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy} block>
          Sign in
        </Button>
      </Form>
      <p className="sign-in-more">
        <Link href="/forgot" prefetch={false}>
          Forgot your password?
        </Link>
      </p>
      {demo && (
        <p className="sign-in-demo">
          This is a demo with made-up people and jobs. Its owner: <strong>{demo.email}</strong>, password{' '}
          <strong>{demo.password}</strong>
        </p>
      )}
    </AccountFrame>
  );
}
