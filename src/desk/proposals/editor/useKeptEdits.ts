'use client';

import { useEffect } from 'react';
import { forget, keep, keysFrom, readKept } from '@/ui/kept/store';
import { useKeptKey } from '@/ui/kept/KeptFor';
import type { DocumentStore } from './documentStore';
import type { KeptEdits } from './storeTypes';

/** Does something once a name is free: at once, or when the page that holds it is gone. It is held until then. */
function whenFree(name: string, signal: AbortSignal, act: () => Promise<void>): void {
  if (!navigator.locks) void act();
  else
    void navigator.locks
      .request(name, { signal }, async () => {
        if (!signal.aborted) await act();
      })
      .catch(() => undefined);
}

/**
 * Keeps in the browser what the server has not confirmed, and brings back what an earlier page of this proposal left
 * behind, of this person alone. Two pages open at once keep apart: each takes over only from pages that are gone.
 */
export function useKeptEdits(proposalId: string, store: DocumentStore): void {
  const key = useKeptKey(`edits ${proposalId} `);
  useEffect(() => {
    if (key === null) return;
    const own = `${key}${crypto.randomUUID()}`;
    const end = new AbortController();
    store.keepWith((edits) => void (edits === null ? forget(own) : keep(own, edits)));
    // Held for as long as the page is there: nobody else takes over what it keeps.
    whenFree(
      own,
      end.signal,
      () => new Promise((done) => end.signal.addEventListener('abort', () => done())),
    );
    void keysFrom(key).then((all) => {
      for (const left of all)
        if (left !== own)
          whenFree(left, end.signal, async () => {
            const edits = await readKept<KeptEdits>(left);
            if (!edits || end.signal.aborted) return;
            await store.restore(edits);
            // It is kept under this page's own name by now.
            await forget(left);
          });
    });
    return () => end.abort();
  }, [key, store]);
}
