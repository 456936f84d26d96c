'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import type { ChangesSince } from '@/acts/proposals/changes';
import type { DocumentStore } from './documentStore';

const EVERY = 4000;

/**
 * What others do to a proposal reaches its open page by itself: their edits go into the document, and what else happened
 * to it (sent, opened, asked about, decided) draws the page anew. A page come back to asks at once.
 */
export function useOthers(proposalId: string, store: DocumentStore): void {
  const router = useRouter();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let mark: string | null = null;
    let ended = false;
    let asking: AbortController | null = null;
    const ask = async () => {
      clearTimeout(timer);
      asking?.abort();
      const mine = new AbortController();
      asking = mine;
      try {
        if (document.visibilityState === 'visible') {
          const answer = await fetch(
            `/api/v1/proposals/${proposalId}/changes?since=${store.read().saveNumber}`,
            {
              signal: mine.signal,
            },
          );
          if (answer.ok) {
            const told = (await answer.json()) as ChangesSince;
            if (told.missed) store.hear(told.missed);
            if (mark !== null && mark !== told.mark) router.refresh();
            mark = told.mark;
          }
        }
      } catch {
        // Without an answer it is asked again.
      }
      if (!ended && asking === mine) timer = setTimeout(() => void ask(), EVERY);
    };
    const back = () => {
      if (document.visibilityState === 'visible') void ask();
    };
    void ask();
    document.addEventListener('visibilitychange', back);
    window.addEventListener('pageshow', back);
    window.addEventListener('focus', back);
    return () => {
      ended = true;
      clearTimeout(timer);
      asking?.abort();
      document.removeEventListener('visibilitychange', back);
      window.removeEventListener('pageshow', back);
      window.removeEventListener('focus', back);
    };
  }, [proposalId, router, store]);
}
