'use client';

import { Alert, Button, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';

export type ForgetCustomer = (id: string, name: string) => Promise<Answer<unknown>>;

/** Removes what is known of a customer as a person, for one who asks for it: says what goes and what stays. */
export function ForgetDialog({
  id,
  name,
  forget,
  close,
}: {
  readonly id: string;
  readonly name: string;
  readonly forget: ForgetCustomer;
  readonly close: () => void;
}) {
  const [typed, setTyped] = useState('');
  const { busy, refused, submit } = useSubmit();
  return (
    <Modal
      open
      title={`Remove what is known of ${name}?`}
      onCancel={close}
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button
            danger
            type="primary"
            loading={busy}
            disabled={typed.trim() !== name.trim()}
            onClick={() =>
              void submit(() => forget(id, typed), { said: 'Their data is removed.', then: close })
            }
          >
            Remove their data
          </Button>
        </>
      }
    >
      <p>
        For a customer who asks for it. <strong>It goes:</strong> name, addresses, people, notes, letters and
        their links, questions, and the words of offers they did not sign.
      </p>
      <p>
        <strong>It stays:</strong> what they signed, every invoice and payment as printed, as the law on books
        wants it; figures of offers without a name; who did what when.
      </p>
      <p>Nothing of this comes back. Backups made before still hold it until they are deleted.</p>
      {refused && <Alert type="error" title={refused} className="below" />}
      <label className="field">
        Type their name: {name}
        <Input value={typed} maxLength={300} onChange={({ target }) => setTyped(target.value)} />
      </label>
    </Modal>
  );
}
