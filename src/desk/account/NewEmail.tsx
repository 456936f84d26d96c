'use client';

import { Alert, Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { AccountFrame } from './AccountFrame';

/** Signs in with another address from now on, by a mailed link, once: opening a letter alone changes nothing. */
export function NewEmail({
  change,
  take,
}: {
  /** Null: the link is over. */
  readonly change: { readonly email: string; readonly was: string } | null;
  readonly take: () => Promise<Answer<unknown>>;
}) {
  const [done, setDone] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!change && !done)
    return (
      <AccountFrame
        title="This link is over"
        says="It was used already, another was asked for since, or its hour is over. Ask for another in Settings, You."
      >
        <Link href="/settings#about=you" prefetch={false}>
          To the settings
        </Link>
      </AccountFrame>
    );
  if (done)
    return (
      <AccountFrame
        title="Your address is changed"
        says="You sign in with it from now on. Where you are signed in, you stay so."
      >
        <Link href="/today" prefetch={false}>
          To today
        </Link>
      </AccountFrame>
    );
  const press = async () => {
    setBusy(true);
    const answer = await asked(take());
    setBusy(false);
    if (answer.ok) setDone(true);
    else setRefused(answer.problem.detail);
  };
  return (
    <AccountFrame
      title="Another address"
      says={`From now on you sign in with ${change!.email}, not with ${change!.was}.`}
    >
      {refused && <Alert type="error" title={refused} showIcon className="below" />}
      <Button type="primary" loading={busy} block onClick={() => void press()}>
        Sign in with it from now on
      </Button>
    </AccountFrame>
  );
}
