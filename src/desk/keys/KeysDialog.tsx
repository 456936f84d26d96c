'use client';

import { Modal } from 'antd';
import type { KeyGroup } from './keys';
import './keys.css';

/** The sheet of keys: those of the place one is in. */
export function KeysDialog({
  groups,
  close,
}: {
  readonly groups: readonly KeyGroup[];
  readonly close: () => void;
}) {
  return (
    <Modal open onCancel={close} footer={null} title="Keys" width={720}>
      <div className="keys">
        {groups.map(({ title, keys }) => (
          <section key={title}>
            <h3>{title}</h3>
            <dl>
              {keys.map(([key, does]) => (
                <div key={key}>
                  <dt>
                    <kbd>{key}</kbd>
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Modal>
  );
}
