'use client';

import { App, Button } from 'antd';

/** Codes for who lost the authenticator, shown this once. */
export function RecoveryCodes({ codes }: { readonly codes: readonly string[] }) {
  const { message } = App.useApp();
  const copy = () =>
    navigator.clipboard.writeText(codes.join('\n')).then(
      () => message.success('Copied.'),
      () => message.error('The browser does not let us copy. Write them down.'),
    );
  return (
    <>
      <p>
        Write these down and keep them apart from your phone. Each opens once, when the authenticator is lost.
        They are not shown again.
      </p>
      <ol className="recovery-codes" aria-label="Recovery codes">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ol>
      <Button onClick={() => void copy()}>Copy all</Button>
    </>
  );
}
