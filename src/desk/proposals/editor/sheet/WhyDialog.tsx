'use client';

import { Button, Modal } from 'antd';
import { whyLine } from '@/core/explain';
import { useEditor } from '../context';
import { Steps } from '../Why';

/** How the amount of a line or part comes about, for rows that have no details of their own. */
export function WhyDialog({ lineId, name, close }: { lineId: string; name: string; close: () => void }) {
  const { work, figures } = useEditor();
  const steps = whyLine(work.document, figures, lineId);
  return (
    <Modal
      open
      title={`Why this amount: ${name}`}
      footer={<Button onClick={close}>Close</Button>}
      onCancel={close}
    >
      {steps && <Steps steps={steps} />}
    </Modal>
  );
}
