import { MoreOutlined } from '@ant-design/icons';
import { Dropdown } from 'antd';
import type { Section } from '@/model';
import type { SectionAct } from './useSectionActs';

/** What can be done to a section as a whole, with the key for each. */
export function SectionMenu({
  section,
  folded,
  acts,
}: {
  readonly section: Section;
  readonly folded: boolean;
  readonly acts: Readonly<Record<SectionAct, () => void>>;
}) {
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        onClick: ({ key }) => acts[key as SectionAct](),
        items: [
          { key: 'space', label: 'Dimensions: length, width, height', extra: 'Alt M' },
          { key: 'fold', label: folded ? 'Unfold' : 'Fold', extra: 'Alt F' },
          {
            key: 'extra',
            label: section.extra ? 'Not an extra any more' : 'Let the customer leave all of it out',
            extra: 'Alt X',
          },
          { key: 'copy', label: 'Copy with everything in it', extra: 'Alt C' },
          { key: 'up', label: 'Move up', extra: 'Alt ↑' },
          { key: 'down', label: 'Move down', extra: 'Alt ↓' },
          { key: 'remove', label: 'Remove with everything in it', danger: true },
        ],
      }}
    >
      <button type="button" className="grip" aria-label={`More for section ${section.title}`} tabIndex={-1}>
        <MoreOutlined aria-hidden="true" />
      </button>
    </Dropdown>
  );
}
