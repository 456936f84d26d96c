'use client';

import { App, Button } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';

export type ShowLinkAction = (input: unknown) => Promise<Answer<{ address: string }>>;

/** A private link, shown when it is asked for. */
export function ShowLink({ linkId, show }: { readonly linkId: string; readonly show: ShowLinkAction }) {
  const { message } = App.useApp();
  const { busy, submit } = useSubmit({ tells: true });
  const [address, setAddress] = useState<string | null>(null);
  const ask = () =>
    submit(() => show({ linkId }), { then: (shown) => setAddress(shown.address), rereads: false });
  const copy = async () => {
    await navigator.clipboard.writeText(address!).then(
      () => message.success('Copied.'),
      () => message.error('The browser does not let us copy. Select the link and copy it.'),
    );
  };

  return address === null ? (
    <p className="show-link">
      <Button size="small" loading={busy} onClick={() => void ask()}>
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
