'use client';

import { useEffect } from 'react';
import { forget, keep, keysFrom, readKept } from '@/ui/kept/store';
import { useKeptKey } from '@/ui/kept/KeptFor';
import type { DocumentStore, KeptEdits } from './documentStore';

/** Holds a name until released; null where another page holds it. Pages that are gone hold nothing. */
function hold(name: string): Promise<(() => void) | null> {
  return new Promise((resolve) => {
    const asked = navigator.locks?.request(name, { ifAvailable: true }, (lock) =>
      lock === null
        ? resolve(null)
        : new Promise<void>((release) => {
            resolve(release);
          }),
    );
    if (asked) asked.catch(() => resolve(null));
    else resolve(() => undefined);
  });
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
    const held: (() => void)[] = [];
    let gone = false;
    store.keepWith((edits) => void (edits === null ? forget(own) : keep(own, edits)));
    const begin = async () => {
      const mine = await hold(own);
      if (mine) held.push(mine);
      for (const left of await keysFrom(key)) {
        if (left === own || gone) continue;
        const release = await hold(left);
        if (release === null) continue;
        const edits = await readKept<KeptEdits>(left);
        if (edits && !gone) {
          store.restore(edits);
          // Kept under this page's own name before the old name is let go.
          store.keepNow();
        }
        await forget(left);
        release();
      }
    };
    void begin();
    return () => {
      gone = true;
      for (const release of held) release();
    };
  }, [key, store]);
}
