'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';

/** A change that is not answered yet. */
interface Pending<T> {
  readonly key: string;
  readonly id: string;
  readonly patch: Partial<T>;
  /** It was sent and got no answer: whether it is stored is not known. */
  readonly stuck: boolean;
}

/** What became of a change that was sent. */
export type Sent = 'taken' | 'refused' | 'no answer';

/**
 * What was changed here and is not read back from the server yet: it stands on the page at once, goes out in the order it
 * was typed, and a later change of the same thing goes on from it. What a page leaves unanswered goes out again from the
 * next: a change sets what it names, so that twice is once.
 * @param name names the list among what is kept in this browser; null: nothing is
 * @param known what the server last told; when it tells anew and nothing is on its way, that stands again
 * @param send sends the change of one; what gets no answer is kept, and goes out again by `again` or from the next page
 */
export function useInTurn<T extends { readonly id: string }>(
  name: string | null,
  known: readonly T[],
  send: (each: T, patch: Partial<T>) => Promise<Sent>,
) {
  const [mine, setMine] = useState<ReadonlyMap<string, T>>(new Map());
  const [pending, setPending] = useState<readonly Pending<T>[]>([]);
  const [seen, setSeen] = useState(known);
  const turn = useRef<Promise<unknown>>(Promise.resolve());
  /** As of the last key, before anything is drawn again. */
  const latest = useRef<Map<string, T>>(new Map());
  const sending = useRef(send);
  useEffect(() => {
    sending.current = send;
  });
  if (seen !== known) {
    setSeen(known);
    if (pending.length === 0 && mine.size > 0) setMine(new Map());
  }

  /** Changes one: shown at once, sent when what was changed before it is answered. */
  const change = useCallback((each: T, patch: Partial<T>) => {
    const next = { ...(latest.current.get(each.id) ?? each), ...patch };
    const key = crypto.randomUUID();
    latest.current.set(each.id, next);
    setMine((all) => new Map(all).set(each.id, next));
    setPending((all) => [...all, { key, id: each.id, patch, stuck: false }]);
    turn.current = turn.current.then(async () => {
      const sent = await sending.current(next, patch).catch((): Sent => 'no answer');
      // A page that is left breaks its requests off, and is still there for a moment: nothing is dropped for that.
      if (sent === 'no answer') {
        setPending((all) => all.map((one) => (one.key === key ? { ...one, stuck: true } : one)));
        return;
      }
      setPending((all) => all.filter((one) => one.key !== key));
      // What was typed after it goes on from it; where nothing was, the server’s word stands from here.
      if (latest.current.get(each.id) === next) latest.current.delete(each.id);
      if (sent === 'refused')
        setMine((all) => new Map([...all].filter(([id, value]) => id !== each.id || value !== next)));
    });
  }, []);

  useKeptDraft<readonly Pending<T>[]>(
    name,
    pending,
    (left) => {
      for (const { id, patch } of left) {
        const each = known.find((one) => one.id === id);
        if (each) change(each, patch);
      }
    },
    pending.length === 0,
  );
  const stuck = pending.filter((one) => one.stuck);
  return {
    shown: known.map((each) => mine.get(each.id) ?? each),
    waiting: pending.length - stuck.length,
    stuck: stuck.length,
    change,
    again: () => {
      setPending((all) => all.filter((one) => !one.stuck));
      for (const { id, patch } of stuck) {
        const each = known.find((one) => one.id === id);
        if (each) change(each, patch);
      }
    },
  };
}
