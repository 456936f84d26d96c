'use client';

import { App, Button, Input } from 'antd';

/** An address to hand over by hand: read, selected, copied. */
export function CopyAddress({ address, label }: { readonly address: string; readonly label: string }) {
  const { message } = App.useApp();
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => message.success('Copied.'),
      () => message.error('The browser does not let us copy. Select the link and copy it.'),
    );
  return (
    <div className="copy-address">
      <Input readOnly value={address} aria-label={label} onFocus={({ target }) => target.select()} />
      <Button onClick={() => void copy()}>Copy</Button>
    </div>
  );
}
