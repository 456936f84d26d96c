import { MoreOutlined } from '@ant-design/icons';
import { Dropdown } from 'antd';
import type { Bundle } from '@/model';
import { useEditorActions } from '../context';
import type { BundleAct } from './useBundleActs';

/** What can be done to a bundle, with the key for each. */
export function BundleMenu({
  bundle,
  name,
  open,
  acts,
}: {
  readonly bundle: Bundle;
  /** As it is shown, its inputs filled in. */
  readonly name: string;
  readonly open: boolean;
  readonly acts: Readonly<Record<BundleAct, () => void>>;
}) {
  const { seesCost } = useEditorActions();
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        onClick: ({ key }) => acts[key as BundleAct](),
        items: [
          { key: 'open', label: open ? 'Close' : 'Open inputs and parts', extra: 'Alt ↵' },
          {
            key: 'parts',
            label: bundle.shows === 'one' ? 'Show the customer its parts' : 'Show the customer one line',
          },
          {
            key: 'extra',
            label: bundle.extra ? 'Not an extra any more' : 'Make it an extra',
            extra: 'Alt X',
          },
          { key: 'copy', label: 'Copy under another name', extra: 'Alt C' },
          ...(seesCost ? [{ key: 'library', label: 'Library: refresh, save back …' }] : []),
          { key: 'up', label: 'Move up', extra: 'Alt ↑' },
          { key: 'down', label: 'Move down', extra: 'Alt ↓' },
          { key: 'remove', label: 'Remove', extra: 'Ctrl Del', danger: true },
        ],
      }}
    >
      <button type="button" className="grip" aria-label={`More for ${name}`} tabIndex={-1}>
        <MoreOutlined aria-hidden="true" />
      </button>
    </Dropdown>
  );
}
