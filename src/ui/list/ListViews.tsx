'use client';

import { Button, Dropdown, Input, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ListView } from '@/model';

/** Views of a list under names, kept for the person: the one that stands can be kept, any can be opened or forgotten. */
export function ListViews({
  path,
  address,
  views,
  save,
}: {
  readonly path: string;
  /** What stands in the address now. */
  readonly address: string;
  readonly views: readonly ListView[];
  readonly save: (views: ListView[]) => void;
}) {
  const router = useRouter();
  const [naming, setNaming] = useState<string | null>(null);
  const here = views.find((view) => view.address === address);
  const keep = () => {
    const name = (naming ?? '').trim();
    if (name === '') return;
    save([...views.filter((view) => view.name !== name), { name, address }].slice(-20));
    setNaming(null);
  };
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          selectable: true,
          selectedKeys: here ? [`view ${here.name}`] : [],
          items: [
            ...views.map((view) => ({ key: `view ${view.name}`, label: view.name })),
            ...(views.length > 0 ? [{ type: 'divider' as const }] : []),
            { key: 'keep', label: 'Save this view …', disabled: views.length >= 20 && !here },
            ...(here ? [{ key: 'forget', label: `Delete view “${here.name}”`, danger: true }] : []),
          ],
          onClick: ({ key }) => {
            if (key === 'keep') setNaming(here?.name ?? '');
            else if (key === 'forget') save(views.filter((view) => view !== here));
            else {
              const view = views.find(({ name }) => `view ${name}` === key);
              if (view) router.push(view.address === '' ? path : `${path}?${view.address}`);
            }
          },
        }}
      >
        <Button>{here ? here.name : 'Views'}</Button>
      </Dropdown>
      <Modal
        open={naming !== null}
        title="Save this view"
        okText="Save view"
        okButtonProps={{ disabled: (naming ?? '').trim() === '' }}
        onOk={keep}
        onCancel={() => setNaming(null)}
        destroyOnHidden
      >
        <Input
          autoFocus
          aria-label="Name of the view"
          placeholder="Sent, not opened"
          maxLength={60}
          value={naming ?? ''}
          onChange={({ target }) => setNaming(target.value)}
          onPressEnter={keep}
        />
        <p className="soft">
          Its search, filters and order are kept for you; open it from any page of the list.
        </p>
      </Modal>
    </>
  );
}
