'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import type { ChangesSince } from '@/services/proposals/changes';
import { askAgain } from '@/ui/askAgain';
import { askDoor } from '@/ui/askDoor';
import type { DocumentStore } from './documentStore';

const EVERY = 4000;

/**
 * What others do to a proposal reaches its open page by itself: their edits go into the document, and what else happened
 * to it (sent, opened, asked about, decided) draws the page anew. A page come back to asks at once.
 */
export function useOthers(proposalId: string, store: DocumentStore): void {
  const router = useRouter();
  useEffect(() => {
    let mark: string | null = null;
    return askAgain(EVERY, async (signal) => {
      const told = await askDoor<ChangesSince>(
        `/api/desk/proposals/${proposalId}/changes?since=${store.read().saveNumber}`,
        { signal },
      );
      if (told.missed) store.hear(told.missed);
      if (mark !== null && mark !== told.mark) router.refresh();
      mark = told.mark;
    });
  }, [proposalId, router, store]);
}
