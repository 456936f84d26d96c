'use client';

import { MoreOutlined } from '@ant-design/icons';
import { Alert, Button, Dropdown, Input, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Answer } from '@/model';
import { SellerDialog } from '@/desk/people/SellerDialog';
import { useSellerActs } from '@/desk/people/Sellers';
import { useMay } from '@/ui/may/May';
import { useSubmit } from '@/ui/useSubmit';

export type SaveAsTemplate = (input: {
  proposalId: string;
  name: string;
  about: string;
}) => Promise<Answer<unknown>>;

/** What can be made of a proposal besides sending it: a copy for another customer, a template. */
export function MoreActs({
  proposalId,
  title,
  seller,
  settle,
  saveAsTemplate,
}: {
  readonly proposalId: string;
  readonly title: string;
  /** What who sells it is called. */
  readonly seller: string;
  readonly settle: () => Promise<number | null>;
  readonly saveAsTemplate: SaveAsTemplate;
}) {
  const router = useRouter();
  const sellers = useSellerActs();
  const mayLookBack = useMay('settings');
  const [giving, setGiving] = useState(false);
  const [open, setOpen] = useState(false);
  const [name, setName] = useState(title);
  const [about, setAbout] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const { busy, refused, setRefused, submit } = useSubmit();
  const keep = async () => {
    setSaid(null);
    await settle();
    await submit(() => saveAsTemplate({ proposalId, name, about }), {
      then: () => setSaid(`“${name}” is a template now. New proposals can start from it.`),
      rereads: false,
    });
  };
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          onClick: ({ key }) => {
            if (key === 'copy') void settle().then(() => router.push(`/proposals/new?from=${proposalId}`));
            if (key === 'seller') setGiving(true);
            if (key === 'history') void settle().then(() => router.push(`/history?of=${proposalId}`));
            if (key === 'template') {
              setSaid(null);
              setRefused(null);
              setOpen(true);
            }
          },
          items: [
            { key: 'copy', label: 'Copy for another customer or site' },
            { key: 'template', label: 'Keep as a template' },
            ...(sellers ? [{ key: 'seller', label: 'Give it to another seller' }] : []),
            ...(mayLookBack ? [{ key: 'history', label: 'What was done with it' }] : []),
          ],
        }}
      >
        <Button type="text" size="small" icon={<MoreOutlined />} aria-label="More for this proposal" />
      </Dropdown>
      {sellers && giving && (
        <SellerDialog proposalId={proposalId} seller={seller} acts={sellers} close={() => setGiving(false)} />
      )}
      <Modal
        open={open}
        title="Keep as a template"
        onCancel={() => setOpen(false)}
        footer={
          said ? (
            <Button onClick={() => setOpen(false)}>Close</Button>
          ) : (
            <Button type="primary" loading={busy} disabled={name.trim() === ''} onClick={() => void keep()}>
              Keep the template
            </Button>
          )
        }
      >
        {said && <Alert type="success" title={said} className="below" />}
        {refused && <Alert type="error" title={refused} className="below" />}
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
