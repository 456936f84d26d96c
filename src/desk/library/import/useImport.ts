import { useEffect, useRef, useState } from 'react';
import type { ImportPreview, StartedImport } from '@/services/library/importItems';
import type { LibraryField, Matching } from '@/core/importing';
import { askDoor, reach, sendFile } from '@/ui/askDoor';
import { PATIENCE } from '@/ui/patience';
import type { Counts } from './followImport';
import { followImport } from './followImport';

export type Stage =
  | { readonly at: 'choose' }
  | { readonly at: 'busy'; readonly what: string }
  | { readonly at: 'look' }
  | { readonly at: 'storing'; readonly done: number; readonly of: number }
  | { readonly at: 'done'; readonly counts: Counts };

/** A request of an import that carries which column is what. */
const withMatching = (matching: Matching): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ matching }),
});

/** A list on its way into the library: chosen, its columns matched, looked through, then stored as a whole or not at all. */
export function useImport() {
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
        `/api/desk/library/imports/${started.id}/plan`,
        withMatching(wanted),
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
  const choose = async (chosen: File) => {
    setTrouble(null);
    setPreview(null);
    setStage({ at: 'busy', what: `Reading ${chosen.name} …` });
    try {
      const started = await sendFile<StartedImport>(
        `/api/desk/library/imports?name=${encodeURIComponent(chosen.name)}`,
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
    const { signal } = stop.current;
    try {
      const answer = await reach(
        `/api/desk/library/imports/${file.id}/apply`,
        { ...withMatching(matching), signal },
        2 * PATIENCE,
      );
      const counts = await followImport(answer, (done, of) => setStage({ at: 'storing', done, of }));
      setStage({ at: 'done', counts });
    } catch (error) {
      fail(signal.aborted ? new Error('Cancelled. Nothing was changed.') : error, { at: 'look' });
    }
  };
  const drop = () => {
    // Where it does not arrive, what was read is thrown away with age.
    if (file) void reach(`/api/desk/library/imports/${file.id}`, { method: 'DELETE' }).catch(() => undefined);
    setFile(null);
    setPreview(null);
    setTrouble(null);
    setStage({ at: 'choose' });
  };
  return {
    stage,
    file,
    matching,
    preview,
    trouble,
    choose,
    match,
    apply,
    drop,
    cancel: () => stop.current?.abort(),
  };
}
