'use client';

import { Button, Input, Modal } from 'antd';

/** What another program is given and is never shown again: nothing but the button closes it. */
export function ShownOnce({
  title,
  says,
  label,
  value,
  close,
}: {
  readonly title: string;
  readonly says: string;
  readonly label: string;
  readonly value: string;
  readonly close: () => void;
}) {
  return (
    <Modal
      open
      title={title}
      closable={false}
      keyboard={false}
      mask={{ closable: false }}
      footer={
        <Button type="primary" onClick={close}>
          I have it
        </Button>
      }
    >
      <p>{says}</p>
      <Input.TextArea readOnly autoSize aria-label={label} value={value} onFocus={(e) => e.target.select()} />
    </Modal>
  );
}
