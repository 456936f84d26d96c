'use client';

import { Modal } from 'antd';
import { changePart, setPartOnThisJob } from '@/core/editing';
import { useEditor, useEditorActions } from '../context';
import { JobFields } from './JobFields';

/** Cost, markup, tax and cost code of one part of a bundle, for this job only. */
export function PartDialog({
  bundleId,
  path,
  lineId,
  close,
}: {
  readonly bundleId: string;
  readonly path: string;
  readonly lineId: string;
  readonly close: () => void;
}) {
  const { lines } = useEditor();
  const { edit } = useEditorActions();
  const figures = lines.get(lineId);
  if (!figures) return null;
  const { line } = figures;
  return (
    <Modal open onCancel={close} footer={null} width={760} title={`${line.description}, on this job`}>
      <JobFields
        line={line}
        cost={figures.cost}
        set={(field, value) => edit((draft) => setPartOnThisJob(draft, bundleId, path, line, field, value))}
        takeBack={(field) => edit((draft) => setPartOnThisJob(draft, bundleId, path, line, field, undefined))}
        setOvertime={(overtime) => edit((draft) => changePart(draft, bundleId, path, { overtime }))}
        clearCost={() => edit((draft) => changePart(draft, bundleId, path, { typedCost: '' }))}
      />
    </Modal>
  );
}
