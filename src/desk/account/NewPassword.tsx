'use client';

import { Alert, Button, Form, Input } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { AccountFrame } from './AccountFrame';
import { PasswordField } from './PasswordFields';

/** Sets a new password by a mailed link, once. */
export function NewPassword({
  email,
  save,
}: {
  /** Whose; null: the link is over. */
  readonly email: string | null;
  readonly save: (password: string) => Promise<Answer<unknown>>;
}) {
  const [done, setDone] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async ({ password }: { password: string }) => {
    setBusy(true);
    const answer = await asked(save(password));
    setBusy(false);
    if (answer.ok) setDone(true);
    else setRefused(answer.problem.detail);
  };
  if (!email || done)
    return (
      <AccountFrame
        title={done ? 'Your password is set' : 'This link is over'}
        says={
          done
            ? 'You are signed out everywhere. Sign in with the new password.'
            : 'It was used already, another was asked for since, or its hour is over.'
        }
      >
        <Link href={done ? '/sign-in' : '/forgot'} prefetch={false}>
          {done ? 'Sign in' : 'Ask for another link'}
        </Link>
      </AccountFrame>
    );
  return (
    <AccountFrame title="A new password" says={`For ${email}. You are signed out everywhere else then.`}>
      <Form layout="vertical" requiredMark={false} onFinish={submit}>
        {refused && <Alert type="error" title={refused} showIcon className="below" />}
        {/* So that a password manager knows whose it is. */}
        <Input type="hidden" autoComplete="username" value={email} readOnly />
        <PasswordField label="New password" />
        <Button type="primary" htmlType="submit" loading={busy} block>
          Set it
        </Button>
      </Form>
    </AccountFrame>
  );
}
