import { Button } from 'antd';
import { useState } from 'react';
import { useEditor } from '../context';

/** The customer's page exactly as they will get it, as wide as a phone or as a screen. */
export function Preview({
  proposalId,
  previewMark,
}: {
  readonly proposalId: string;
  readonly previewMark: number;
}) {
  const { work } = useEditor();
  const [narrow, setNarrow] = useState(true);
  return (
    <div className="send-preview">
      <div className="send-preview-head">
        <span className="soft">Exactly what the customer gets</span>
        <Button size="small" onClick={() => setNarrow(!narrow)}>
          {narrow ? 'Show it wide' : 'Show it as on a phone'}
        </Button>
        <a href={`/api/v1/proposals/${proposalId}/proposal.pdf`}>PDF</a>
        <a href={`/api/v1/proposals/${proposalId}/document.json`} download>
          Document (JSON)
        </a>
      </div>
      <iframe
        key={`${previewMark} ${work.saveNumber}`}
        title="Preview of the booklet"
        src={`/preview/${proposalId}`}
        className={narrow ? 'narrow' : ''}
      />
    </div>
  );
}
