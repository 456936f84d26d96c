'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { useKeptKey } from '@/ui/kept/KeptFor';
import { forget, keep, readKept } from '@/ui/kept/store';
import type { Target } from '../context';
import type { Found } from '../../../library/search';

/** What the add line was asked for. */
export interface AddRequest {
  /** The whole text as it was typed, to be given back when nothing comes of it. */
  readonly text: string;
  /** Where it goes: what the target was at the Enter. */
  readonly target: Target;
  /** Whether it asks for a line of one's own, without a look into the library. */
  readonly own: boolean;
  /** What the person picked from the list; null: the best match is looked for. */
  readonly picked: Found | null;
}

export interface Waiting extends AddRequest {
  readonly id: number;
  /** Why it stands still: nothing fits, or the server does not answer. Null: it is on its way. */
  readonly trouble: string | null;
}

/** How a request is carried out: first looked up (several at once), then put (one after the other, in their order). */
export interface AddSteps {
  /** @returns what was found; null: nothing fits */
  readonly look: (request: AddRequest) => Promise<Found | 'own' | null>;
  readonly put: (found: Found | 'own', request: AddRequest) => Promise<void>;
}

/** How many look-ups run at once: a browser opens no more connections to one place. */
const AT_ONCE = 4;

/**
 * The Enters of the add line, in their order. Each is looked up at once, while the person types on; what was asked for
 * first is put first. What finds nothing gives its text back and holds nothing up.
 */
export function useAddQueue(proposalId: string, steps: AddSteps) {
  const key = useKeptKey(`adds ${proposalId}`);
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const next = useRef(0);
  const turn = useRef<Promise<void>>(Promise.resolve());
  const running = useRef(0);
  const queued = useRef<(() => void)[]>([]);
  const latest = useRef(steps);
  useEffect(() => {
    latest.current = steps;
  });

  const free = useCallback(async <T>(work: () => Promise<T>): Promise<T> => {
    if (running.current >= AT_ONCE) await new Promise<void>((go) => queued.current.push(go));
    running.current += 1;
    try {
      return await work();
    } finally {
      running.current -= 1;
      queued.current.shift()?.();
    }
  }, []);

  const ask = useCallback(
    (request: AddRequest) => {
      const id = (next.current += 1);
      const done = () => setWaiting((all) => all.filter((one) => one.id !== id));
      const stuck = (trouble: string) =>
        setWaiting((all) => all.map((one) => (one.id === id ? { ...one, trouble } : one)));
      setWaiting((all) => [...all, { ...request, id, trouble: null }]);
      const looked = free(() => latest.current.look(request)).then(
        (found) => ({ found, trouble: null }),
        (error: Error) => ({ found: null, trouble: error.message }),
      );
      turn.current = turn.current.then(async () => {
        const answer = await looked;
        if (answer.trouble !== null) stuck(answer.trouble);
        else if (answer.found === null) stuck('Nothing in the library fits.');
        else
          await latest.current
            .put(answer.found, request)
            .then(done, (error: unknown) =>
              stuck(error instanceof Error ? error.message : 'It could not be added.'),
            );
      });
    },
    [free],
  );

  // What a page took along unfinished stands here again, with its reason.
  const read = useRef(false);
  useEffect(() => {
    if (key === null) return;
    let gone = false;
    void readKept<readonly AddRequest[]>(key).then((kept) => {
      if (gone) return;
      read.current = true;
      if (kept)
        setWaiting((all) => [
          ...kept.map((one) => ({
            ...one,
            id: (next.current += 1),
            trouble: 'The page was left before this was added.',
          })),
          ...all,
        ]);
    });
    return () => {
      gone = true;
    };
  }, [key]);
  useEffect(() => {
    if (key === null || !read.current) return;
    const left = waiting.map(({ text, target, own, picked }) => ({ text, target, own, picked }));
    void (left.length === 0 ? forget(key) : keep(key, left));
  }, [key, waiting]);

  const drop = useCallback((id: number) => setWaiting((all) => all.filter((one) => one.id !== id)), []);
  const again = useCallback(
    (one: Waiting, own: boolean) => {
      drop(one.id);
      ask({ text: one.text, target: one.target, picked: own ? null : one.picked, own });
    },
    [ask, drop],
  );
  return { waiting, ask, drop, again };
}
