import { MoreOutlined } from '@ant-design/icons';
import { Dropdown } from 'antd';
import type { Line } from '@/model';
import type { Inner, LineAct } from './useLineActs';

const itemsOf = (line: Line, inner: Inner) => [
  ...(inner === 'bundle'
    ? []
    : [
        {
          key: 'allowance',
          label: line.allowance ? 'No longer an allowance' : 'Make it an allowance',
          extra: 'Alt A',
        },
        {
          key: 'extra',
          label: line.extra ? 'Not an extra any more' : 'Make it an extra',
          extra: 'Alt X',
        },
      ]),
  ...(inner ? [] : [{ key: 'question', label: 'Let the customer pick one of several', extra: 'Alt Q' }]),
  { key: 'details', label: 'Details and notes', extra: 'Alt ↵' },
  ...(inner ? [] : [{ key: 'copy', label: 'Copy', extra: 'Alt C' }]),
  { key: 'up', label: 'Move up', extra: 'Alt ↑' },
  { key: 'down', label: 'Move down', extra: 'Alt ↓' },
  { key: 'remove', label: 'Remove', extra: 'Ctrl Del', danger: true },
];

/** What can be done to a line, with the key for each. */
export function LineMenu({
  line,
  inner,
  acts,
}: {
  readonly line: Line;
  readonly inner: Inner;
  readonly acts: Readonly<Record<LineAct, () => void>>;
}) {
  return (
    <Dropdown
      trigger={['click']}
      menu={{ onClick: ({ key }) => acts[key as LineAct](), items: itemsOf(line, inner) }}
    >
      <button type="button" className="grip" aria-label={`More for ${line.description}`} tabIndex={-1}>
        <MoreOutlined aria-hidden="true" />
      </button>
    </Dropdown>
  );
}
