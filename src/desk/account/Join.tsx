'use client';

import { Alert, Button, Form, Input } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { AccountFrame } from './AccountFrame';
import { PasswordField } from './PasswordFields';

/** What an invitation says to who opens its link. */
export interface Invited {
  readonly company: string;
  readonly inviter: string;
  readonly role: string;
  readonly email: string;
  readonly name: string;
  /** Somebody signs in with that address already. */
  readonly known: boolean;
  /** Who is signed in here: the one who was invited, somebody else, or nobody. */
  readonly here: 'invited' | 'other' | null;
  readonly gone: string | null;
}

/** Takes an invitation up: a name and password for who is new, one press for who signs in already. */
export function Join({
  invited,
  signInPath,
  joinAsNew,
  joinAsKnown,
  signOut,
}: {
  readonly invited: Invited | null;
  readonly signInPath: string;
  readonly joinAsNew: (input: { name: string; password: string }) => Promise<Answer<unknown>>;
  readonly joinAsKnown: () => Promise<Answer<unknown>>;
  readonly signOut: () => Promise<void>;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (act: () => Promise<Answer<unknown>>) => {
    setBusy(true);
    const answer = await asked(act());
    setBusy(false);
    if (answer && !answer.ok) setRefused(answer.problem.detail);
  };
  if (!invited || invited.gone)
    return (
      <AccountFrame
        title="No invitation"
        says={invited?.gone ?? 'This link does not lead anywhere. Look whether all of it was copied.'}
      >
        <Link href="/sign-in" prefetch={false}>
          Sign in
        </Link>
      </AccountFrame>
    );
  const { company, inviter, role, email, name, known, here } = invited;
  return (
    <AccountFrame title={company} says={`${inviter} invites you to work with ${company}, as: ${role}.`}>
      {refused && <Alert type="error" title={refused} showIcon className="below" />}
      {known ? (
        here === 'invited' ? (
          <Button type="primary" block loading={busy} onClick={() => void take(joinAsKnown)}>
            Join {company}
          </Button>
        ) : (
          <>
            <p>
              The invitation is for <strong>{email}</strong>, who signs in here already.
            </p>
            {here === 'other' ? (
              <form action={signOut}>
                <Button htmlType="submit" type="primary" block>
                  Sign out first, then open this link again
                </Button>
              </form>
            ) : (
              <Link href={signInPath} prefetch={false}>
                Sign in as {email}
              </Link>
            )}
          </>
        )
      ) : (
        <Form
          layout="vertical"
          requiredMark={false}
          initialValues={{ name }}
          onFinish={(typed: { name: string; password: string }) => void take(() => joinAsNew(typed))}
        >
          <Form.Item label="You sign in with">
            <Input value={email} readOnly autoComplete="username" />
          </Form.Item>
          <Form.Item name="name" label="Your name" rules={[{ required: true, message: 'Type your name.' }]}>
            <Input autoComplete="name" maxLength={120} />
          </Form.Item>
          <PasswordField />
          <Button type="primary" htmlType="submit" loading={busy} block>
            Join {company}
          </Button>
        </Form>
      )}
    </AccountFrame>
  );
}
