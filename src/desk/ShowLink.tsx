'use client';

import { App, Button } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';

export type ShowLinkAction = (input: unknown) => Promise<Answer<{ address: string }>>;

/** A private link, shown when it is asked for. */
export function ShowLink({ linkId, show }: { linkId: string; show: ShowLinkAction }) {
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const [address, setAddress] = useState<string | null>(null);

  const ask = async () => {
    setBusy(true);
    const answer = await asked(show({ linkId }));
    setBusy(false);
    if (answer.ok) setAddress(answer.value.address);
    else message.error(answer.problem.detail);
  };
  const copy = async () => {
    await navigator.clipboard.writeText(address!).then(
      () => message.success('Copied.'),
      () => message.error('The browser does not let us copy. Select the link and copy it.'),
    );
  };

  return address === null ? (
    <p className="show-link">
      <Button size="small" loading={busy} onClick={ask}>
        Show the private link
      </Button>{' '}
      <span className="soft">
        Whoever opens it can sign for the customer. That you were shown it stands with the signature.
      </span>
    </p>
  ) : (
    <p className="show-link">
      <a href={address} target="_blank" rel="noreferrer" data-testid="private-link">
        {address}
      </a>{' '}
      <Button size="small" onClick={copy}>
        Copy
      </Button>
    </p>
  );
}
