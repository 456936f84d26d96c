'use client';

import { Alert, Button, Progress } from 'antd';
import { FileDrop } from '@/ui/fields/FileField';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { ImportPreview, StartedImport } from '@/services/library/importItems';
import type { LibraryField, Matching } from '@/core/importing';
import type { ProblemDetails } from '@/model';
import { ImportPlanView } from './ImportPlanView';
import { askDoor, reach, readAnswer, sendFile } from '@/ui/askDoor';
import { PATIENCE, withPatience } from '@/ui/patience';
import { MatchingTable } from './MatchingTable';

type Counts = ImportPreview['counts'];
type Stage =
  | { readonly at: 'choose' }
  | { readonly at: 'busy'; readonly what: string }
  | { readonly at: 'look' }
  | { readonly at: 'storing'; readonly done: number; readonly of: number }
  | { readonly at: 'done'; readonly counts: Counts };

/** Reads the steps an import answers with, a line of JSON each. */
async function follow(answer: Response, step: (done: number, of: number) => void): Promise<Counts> {
  if (!answer.ok || !answer.body) return readAnswer<Counts>(answer);
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    // It tells of every step; a long silence is the end of it.
    const { value, done } = await withPatience(reader.read(), 2 * PATIENCE).catch(() => ({
      value: undefined,
      done: true,
    }));
    rest += value ?? '';
    const lines = rest.split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines.filter(Boolean)) {
      const said = JSON.parse(line) as {
        done?: number;
        of?: number;
        counts?: Counts;
        problem?: ProblemDetails;
      };
      if (said.problem) throw new Error(said.problem.detail);
      if (said.counts) return said.counts;
      step(said.done ?? 0, said.of ?? 0);
    }
    if (done)
      throw new Error('The connection broke off. Nothing was changed unless the list is in the library.');
  }
}

/** A list from a supplier or from a spreadsheet, into the library: matched, looked through, then stored as a whole. */
export function ImportPage() {
  const [stage, setStage] = useState<Stage>({ at: 'choose' });
  const [file, setFile] = useState<StartedImport | null>(null);
  const [matching, setMatching] = useState<Matching>([]);
  const [preview, setPreview] = useState<ImportPreview | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);

  const fail = (error: unknown, back: Stage) => {
    setTrouble((error as Error).message);
    setStage(back);
  };
  /** Counts what was asked: an answer that comes after a later question is no answer. */
  const asked = useRef(0);
  const look = async (started: StartedImport, wanted: Matching) => {
    setStage({ at: 'busy', what: 'Comparing with the library …' });
    asked.current += 1;
    const question = asked.current;
    try {
      const found = await askDoor<ImportPreview>(
        `/api/v1/library/imports/${started.id}/plan`,
        {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ matching: wanted }),
        },
        2 * PATIENCE,
      );
      if (question !== asked.current) return;
      setPreview(found);
      setTrouble(null);
      setStage({ at: 'look' });
    } catch (error) {
      if (question !== asked.current) return;
      setPreview(null);
      fail(error, { at: 'look' });
    }
  };
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    setTrouble(null);
    setPreview(null);
    setStage({ at: 'busy', what: `Reading ${chosen.name} …` });
    try {
      const started = await sendFile<StartedImport>(
        `/api/v1/library/imports?name=${encodeURIComponent(chosen.name)}`,
        chosen,
      );
      setFile(started);
      setMatching(started.matching);
      if (started.matching.includes('code')) await look(started, started.matching);
      else setStage({ at: 'look' });
    } catch (error) {
      fail(error, { at: 'choose' });
    }
  };
  const match = (column: number, field: LibraryField | null) => {
    if (!file) return;
    const next = matching.map((each, i) =>
      i === column ? field : field !== null && each === field ? null : each,
    );
    setMatching(next);
    if (next.includes('code')) void look(file, next);
    else setPreview(null);
  };
  const apply = async () => {
    if (!file) return;
    setTrouble(null);
    setStage({ at: 'storing', done: 0, of: 0 });
    stop.current = new AbortController();
    try {
      const answer = await reach(
        `/api/v1/library/imports/${file.id}/apply`,
        {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ matching }),
          signal: stop.current.signal,
        },
        2 * PATIENCE,
      );
      const counts = await follow(answer, (done, of) => setStage({ at: 'storing', done, of }));
      setStage({ at: 'done', counts });
    } catch (error) {
      const cancelled = stop.current.signal.aborted;
      fail(cancelled ? new Error('Cancelled. Nothing was changed.') : error, { at: 'look' });
    }
  };
  const drop = () => {
    // Where it does not arrive, what was read is thrown away with age.
    if (file) void reach(`/api/v1/library/imports/${file.id}`, { method: 'DELETE' }).catch(() => undefined);
    setFile(null);
    setPreview(null);
    setTrouble(null);
    setStage({ at: 'choose' });
  };

  const count = preview ? preview.counts.added + preview.counts.changed : 0;
  return (
    <div className="import">
      {trouble && <Alert type="error" title={trouble} className="below" />}
      {stage.at === 'choose' && (
        <div className="import-drop">
          <FileDrop
            label="Choose a file"
            accept=".csv,.txt,.tsv,.xlsx"
            take={(chosen) => void choose(chosen)}
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
      {stage.at === 'done' && (
        <div className="import-done" role="status">
          <h2>Done</h2>
          <p>
            {stage.counts.added} items added, {stage.counts.changed} changed, {stage.counts.left} as they were
            {stage.counts.refused > 0 && `, ${stage.counts.refused} rows left out`}.
          </p>
          <p>
            <Link href="/library">To the library</Link>
          </p>
        </div>
      )}
      {stage.at === 'storing' && (
        <div className="import-storing">
          <p role="status">
            {stage.of === 0 ? 'Comparing with the library …' : `${stage.done} of ${stage.of} stored`}
          </p>
          <Progress
            percent={stage.of === 0 ? 0 : Math.floor((100 * stage.done) / stage.of)}
            showInfo={false}
            aria-label="Stored so far"
          />
          <Button onClick={() => stop.current?.abort()}>Cancel, nothing stays</Button>
        </div>
      )}
      {file && (stage.at === 'look' || stage.at === 'busy') && (
        <>
          <div className="import-head">
            <span>
              <strong>{file.fileName}</strong>, {file.rows} rows
              {file.remembered && <span className="soft"> · columns as last time</span>}
            </span>
            <span className="page-actions">
              <Button onClick={drop}>Another file</Button>
              <Button
                type="primary"
                disabled={stage.at !== 'look' || count === 0}
                onClick={() => void apply()}
              >
                {preview ? `Take ${count} into the library` : 'Take into the library'}
              </Button>
            </span>
          </div>
          {file.remarks.map((remark) => (
            <Alert key={remark} type="warning" title={remark} className="below-less" />
          ))}
          <MatchingTable file={file} matching={matching} match={match} />
          {preview && <ImportPlanView preview={preview} />}
        </>
      )}
    </div>
  );
}
