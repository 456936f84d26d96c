'use client';

import { useCallback, useEffect, useRef } from 'react';
import type { ProposalDocument } from '@/model';

/** The set with the key in it, or out of it where it was in. */
export function toggled(set: ReadonlySet<string>, key: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(key)) next.add(key);
  return next;
}

/** Selecting entries: one at a time, or from the last one to here, in the order of the document. */
export function useSelection(
  document: ProposalDocument,
  setSelected: (change: (before: ReadonlySet<string>) => ReadonlySet<string>) => void,
) {
  const anchor = useRef<string | null>(null);
  const now = useRef(document);
  useEffect(() => {
    now.current = document;
  }, [document]);
  return useCallback(
    (id: string, how: 'one' | 'to') => {
      const from = anchor.current;
      anchor.current = id;
      setSelected((before) => {
        if (how === 'one' || from === null || from === id) return toggled(before, id);
        const ids = now.current.sections.flatMap(({ entries }) => entries.map((entry) => entry.id));
        const [low = -1, high = -1] = [ids.indexOf(from), ids.indexOf(id)].sort((a, b) => a - b);
        return low < 0 ? toggled(before, id) : new Set([...before, ...ids.slice(low, high + 1)]);
      });
    },
    [setSelected],
  );
}
