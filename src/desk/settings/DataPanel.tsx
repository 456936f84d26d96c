'use client';

import { Alert, Button, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import { LinkButton } from '@/ui/LinkButton';
import { useSubmit } from '@/ui/useSubmit';

/** What the installation holds of the company: whether it is a demo, and removing that. */
export function DataPanel({
  name,
  demo,
  isOwner,
  removeDemo,
}: {
  readonly name: string;
  readonly demo: boolean;
  readonly isOwner: boolean;
  readonly removeDemo: (name: string) => Promise<Answer<unknown>>;
}) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const { busy, refused, submit } = useSubmit();
  const history = (
    <p>
      <LinkButton href="/history">History: who did what, when</LinkButton>
    </p>
  );
  const another = isOwner && (
    <p>
      <LinkButton href="/another-company">Set up another company</LinkButton>
    </p>
  );
  if (!demo)
    return (
      <>
        <p>This is your own company; nothing here is made up.</p>
        {history}
        {another}
      </>
    );
  return (
    <>
      <p>
        This is a demo: the company, its people, customers and jobs are made up, and its password is
        published. Try everything. When you have seen enough, remove it and set up your own company in its
        place.
      </p>
      {history}
      {another}
      {isOwner ? (
        <Button danger onClick={() => setOpen(true)}>
          Remove the demo
        </Button>
      ) : (
        <p className="soft">Its owner can remove it.</p>
      )}
      <Modal
        open={open}
        title="Remove the demo?"
        okText="Remove all of it"
        cancelText="Keep it"
        okButtonProps={{ danger: true, disabled: typed.trim() !== name }}
        confirmLoading={busy}
        onOk={() =>
          void submit(() => removeDemo(typed), {
            then: () => window.location.assign(new URL('/set-up', window.location.href)),
            rereads: false,
          })
        }
        onCancel={() => setOpen(false)}
      >
        {refused && <Alert type="error" title={refused} className="below" />}
        <p>
          Everything in this database is removed, also what you tried out yourself. It does not come back. You
          go on to set up your own company.
        </p>
        <label>
          Type <strong>{name}</strong> to remove it
          <Input value={typed} onChange={({ target }) => setTyped(target.value)} />
        </label>
      </Modal>
    </>
  );
}
