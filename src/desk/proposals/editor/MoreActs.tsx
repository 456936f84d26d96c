'use client';

import { MoreOutlined } from '@ant-design/icons';
import { Alert, Button, Dropdown, Input, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';

export type SaveAsTemplate = (input: {
  proposalId: string;
  name: string;
  about: string;
}) => Promise<Answer<unknown>>;

/** What can be made of a proposal besides sending it: a copy for another customer, a template. */
export function MoreActs({
  proposalId,
  title,
  settle,
  saveAsTemplate,
}: {
  readonly proposalId: string;
  readonly title: string;
  readonly settle: () => Promise<number | null>;
  readonly saveAsTemplate: SaveAsTemplate;
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState(title);
  const [about, setAbout] = useState('');
  const [said, setSaid] = useState<{ readonly good: boolean; readonly text: string } | null>(null);
  const keep = async () => {
    await settle();
    const answer = await asked(saveAsTemplate({ proposalId, name, about }));
    setSaid(
      answer.ok
        ? { good: true, text: `“${name}” is a template now. New proposals can start from it.` }
        : { good: false, text: answer.problem.detail },
    );
  };
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          onClick: ({ key }) => {
            if (key === 'copy') void settle().then(() => router.push(`/proposals/new?from=${proposalId}`));
            if (key === 'template') {
              setSaid(null);
              setOpen(true);
            }
          },
          items: [
            { key: 'copy', label: 'Copy for another customer or site' },
            { key: 'template', label: 'Keep as a template' },
          ],
        }}
      >
        <Button type="text" size="small" icon={<MoreOutlined />} aria-label="More for this proposal" />
      </Dropdown>
      <Modal
        open={open}
        title="Keep as a template"
        onCancel={() => setOpen(false)}
        footer={
          said?.good ? (
            <Button onClick={() => setOpen(false)}>Close</Button>
          ) : (
            <Button type="primary" disabled={name.trim() === ''} onClick={() => void keep()}>
              Keep the template
            </Button>
          )
        }
      >
        {said && <Alert type={said.good ? 'success' : 'error'} title={said.text} className="below" />}
        <label className="field">
          Name
          <Input value={name} maxLength={100} onChange={({ target }) => setName(target.value)} />
        </label>
        <label className="field">
          What is in it, in a few words
          <Input value={about} maxLength={200} onChange={({ target }) => setAbout(target.value)} />
        </label>
        <p className="soft">
          The cover note, your note and the validity stay out; quantities are marked as not confirmed.
        </p>
      </Modal>
    </>
  );
}
