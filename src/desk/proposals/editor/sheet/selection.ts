'use client';

import { useCallback, useRef } from 'react';

/** The set with the key in it, or out of it where it was in. */
export function toggled(set: ReadonlySet<string>, key: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(key)) next.add(key);
  return next;
}

/**
 * Selecting entries: one at a time, or from the last one to here, in the order they are shown in.
 * @returns what selects, and what is told which entries are shown, in their order
 */
export function useSelection(
  setSelected: (change: (before: ReadonlySet<string>) => ReadonlySet<string>) => void,
) {
  const anchor = useRef<string | null>(null);
  const shown = useRef<readonly string[]>([]);
  const noteShown = useCallback((ids: readonly string[]) => {
    shown.current = ids;
  }, []);
  const select = useCallback(
    (id: string, how: 'one' | 'to') => {
      const from = anchor.current;
      anchor.current = id;
      const ids = shown.current;
      setSelected((before) => {
        if (how === 'one' || from === null || from === id) return toggled(before, id);
        const [low = -1, high = -1] = [ids.indexOf(from), ids.indexOf(id)].sort((a, b) => a - b);
        return low < 0 ? toggled(before, id) : new Set([...before, ...ids.slice(low, high + 1)]);
      });
    },
    [setSelected],
  );
  return { select, noteShown };
}
