'use client';

import { Alert, Button, Progress } from 'antd';
import Link from 'next/link';
import { FileDrop } from '@/ui/fields/FileField';
import type { Counts } from './followImport';
import { ImportPlanView } from './ImportPlanView';
import { MatchingTable } from './MatchingTable';
import type { Stage } from './useImport';
import { useImport } from './useImport';

/** What was done with the list. */
function Done({ counts: { added, changed, left, refused } }: { readonly counts: Counts }) {
  return (
    <div className="import-done" role="status">
      <h2>Done</h2>
      <p>
        {added} items added, {changed} changed, {left} as they were
        {refused > 0 && `, ${refused} rows left out`}.
      </p>
      <p>
        <Link href="/library">To the library</Link>
      </p>
    </div>
  );
}

/** How far the storing is, and the way to break it off. */
function Storing({
  stage: { done, of },
  cancel,
}: {
  readonly stage: Extract<Stage, { at: 'storing' }>;
  readonly cancel: () => void;
}) {
  return (
    <div className="import-storing">
      <p role="status">{of === 0 ? 'Comparing with the library …' : `${done} of ${of} stored`}</p>
      <Progress
        percent={of === 0 ? 0 : Math.floor((100 * done) / of)}
        showInfo={false}
        aria-label="Stored so far"
      />
      <Button onClick={cancel}>Cancel, nothing stays</Button>
    </div>
  );
}

/** A list from a supplier or from a spreadsheet, into the library: matched, looked through, then stored as a whole. */
export function ImportPage() {
  const work = useImport();
  const { stage, file, preview } = work;
  const count = preview ? preview.counts.added + preview.counts.changed : 0;
  return (
    <div className="import">
      {work.trouble && <Alert type="error" title={work.trouble} className="below" />}
      {stage.at === 'choose' && (
        <div className="import-drop">
          <FileDrop
            label="Choose a file"
            accept=".csv,.txt,.tsv,.xlsx"
            take={(chosen) => void work.choose(chosen)}
          >
            <strong>Choose a file, drop or paste it here</strong>
            <div className="soft">
              CSV or XLSX, up to 25 MB, with a heading above the columns. Nothing is stored before you have
              seen what would change.
            </div>
          </FileDrop>
        </div>
      )}
      {stage.at === 'busy' && (
        <p role="status" className="soft">
          {stage.what}
        </p>
      )}
      {stage.at === 'done' && <Done counts={stage.counts} />}
      {stage.at === 'storing' && <Storing stage={stage} cancel={work.cancel} />}
      {file && (stage.at === 'look' || stage.at === 'busy') && (
        <>
          <div className="import-head">
            <span>
              <strong>{file.fileName}</strong>, {file.rows} rows
              {file.remembered && <span className="soft"> · columns as last time</span>}
            </span>
            <span className="page-actions">
              <Button onClick={work.drop}>Another file</Button>
              <Button
                type="primary"
                disabled={stage.at !== 'look' || count === 0}
                onClick={() => void work.apply()}
              >
                {preview ? `Take ${count} into the library` : 'Take into the library'}
              </Button>
            </span>
          </div>
          {file.remarks.map((remark) => (
            <Alert key={remark} type="warning" title={remark} className="below-less" />
          ))}
          <MatchingTable file={file} matching={work.matching} match={work.match} />
          {preview && <ImportPlanView preview={preview} />}
        </>
      )}
    </div>
  );
}
