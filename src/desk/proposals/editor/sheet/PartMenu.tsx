import { MoreOutlined, UndoOutlined } from '@ant-design/icons';
import { Dropdown } from 'antd';
import { useState } from 'react';
import type { SizedPart } from '@/core/bundle';
import { changePart, revertPart } from '@/core/editing';
import { useEditorActions } from '../context';
import { PartDialog } from './PartDialog';
import { WhyDialog } from './WhyDialog';

/** Takes back what was changed of a part on this job. */
export function RevertPart({
  part,
  bundleId,
  name,
}: {
  readonly part: SizedPart;
  readonly bundleId: string;
  readonly name: string;
}) {
  const { edit, readOnly } = useEditorActions();
  if (readOnly || !part.change) return null;
  return (
    <button
      type="button"
      className="grip part-revert"
      aria-label={`Undo the change of ${name}`}
      title="Undo the change"
      onClick={() => edit((draft) => revertPart(draft, bundleId, part.path))}
    >
      <UndoOutlined aria-hidden="true" />
    </button>
  );
}

/** What can be done to a part of a bundle, for this job only. */
export function PartMenu({
  part: { path, change },
  bundleId,
  line,
}: {
  readonly part: SizedPart;
  readonly bundleId: string;
  readonly line: { readonly id: string; readonly description: string };
}) {
  const { edit, readOnly, seesCost } = useEditorActions();
  const [asked, setAsked] = useState<'why' | 'job' | null>(null);
  const set = (to: Parameters<typeof changePart>[3]) =>
    edit((draft) => changePart(draft, bundleId, path, to));
  const acts: Readonly<Record<string, () => void>> = {
    why: () => setAsked('why'),
    job: () => setAsked('job'),
    out: () => set({ out: true }),
    overtime: () => set({ overtime: change?.overtime !== true }),
    revert: () => edit((draft) => revertPart(draft, bundleId, path)),
  };
  return (
    <>
      {!readOnly && (
        <Dropdown
          trigger={['click']}
          menu={{
            onClick: ({ key }) => acts[key]?.(),
            items: [
              ...(seesCost ? [{ key: 'why', label: 'Why this amount' }] : []),
              { key: 'job', label: seesCost ? 'Cost, markup, tax and code …' : 'Tax and cost code …' },
              { key: 'out', label: 'Leave it out on this job' },
              ...(seesCost
                ? [
                    {
                      key: 'overtime',
                      label: change?.overtime ? 'Labor at the normal rate' : 'Labor at the overtime rate',
                    },
                  ]
                : []),
              ...(change ? [{ key: 'revert', label: 'Undo the change' }] : []),
            ],
          }}
        >
          <button type="button" className="grip" aria-label={`More for ${line.description}`} tabIndex={-1}>
            <MoreOutlined aria-hidden="true" />
          </button>
        </Dropdown>
      )}
      {asked === 'why' && <WhyDialog lineId={line.id} name={line.description} close={() => setAsked(null)} />}
      {asked === 'job' && (
        <PartDialog bundleId={bundleId} path={path} lineId={line.id} close={() => setAsked(null)} />
      )}
    </>
  );
}
