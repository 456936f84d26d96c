import { useEffect, useState } from 'react';
import type { Found } from '@/model';
import { askDoor } from '@/ui/askDoor';

/** How long typing rests before it is asked, in milliseconds. */
const REST = 120;

/** Fewer letters find nothing. */
const LEAST = 2;

const nothing: Found = { found: [], more: [] };

/**
 * What has the words, asked for when typing rests. Only the answer to the words that stand is shown: one that comes late, of
 * words typed before, is nothing; one that does not come is said.
 */
export function useFound(words: string) {
  const [answer, setAnswer] = useState<{ of: string; found: Found }>({ of: '', found: nothing });
  const [lost, setLost] = useState<{ of: string; why: string } | null>(null);
  const wanted = words.length >= LEAST;
  useEffect(() => {
    if (!wanted) return;
    const gone = new AbortController();
    const timer = setTimeout(() => {
      askDoor<Found>(`/api/desk/find?${new URLSearchParams({ words })}`, { signal: gone.signal }).then(
        (found) => setAnswer({ of: words, found }),
        (error: Error) => {
          if (!gone.signal.aborted) setLost({ of: words, why: error.message });
        },
      );
    }, REST);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [wanted, words]);
  const there = wanted && answer.of === words;
  const trouble = !there && lost?.of === words ? lost.why : null;
  return {
    found: there ? answer.found : nothing,
    waiting: wanted && !there && trouble === null,
    trouble,
  };
}
