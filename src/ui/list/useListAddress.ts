import { useRouter } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import type { ListSpec, ListState } from '@/core/lists';
import { writeListState } from '@/core/lists';

/** How long typing rests before the list is asked for anew, in milliseconds. */
const REST = 180;

/** The address of a list asked so. */
export function listAddress(path: string, spec: ListSpec, asked: ListState): string {
  const parameters = writeListState(spec, asked).toString();
  return parameters === '' ? path : `${path}?${parameters}`;
}

/**
 * What is asked of a list, as it stands in the address of its page. What was asked last is kept here until the page has it:
 * who asks for one thing and, before it has come, for another, asks for both, and an answer to words that were typed before
 * takes nothing of what was typed since. An address that comes from elsewhere (a view, Back) brings all of its own.
 *
 * @param state what the page was made with
 */
export function useListAddress(spec: ListSpec, state: ListState, path: string) {
  const router = useRouter();
  const [waiting, start] = useTransition();
  const [asked, setAsked] = useState(state);
  const [made, setMade] = useState(state);
  /** Words were typed that are not in the address yet. */
  const [typing, setTyping] = useState(false);
  if (made !== state && !waiting && !typing) {
    setMade(state);
    setAsked(state);
  }
  const typed = typing ? listAddress(path, spec, asked) : null;
  useEffect(() => {
    if (typed === null) return;
    const timer = setTimeout(() => {
      setTyping(false);
      start(() => router.replace(typed, { scroll: false }));
    }, REST);
    return () => clearTimeout(timer);
  }, [typed, router]);

  const next = (change: Partial<ListState>): ListState => ({ ...asked, page: 1, ...change });
  return {
    asked,
    waiting,
    /** Asks for something else at once; Back leads to what stood before. */
    go: (change: Partial<ListState>): void => {
      setTyping(false);
      setAsked(next(change));
      start(() => router.push(listAddress(path, spec, next(change)), { scroll: false }));
    },
    /** Takes the words of the search field; they are asked for when typing rests. */
    type: (search: string): void => {
      setAsked(next({ search }));
      setTyping(true);
    },
  };
}
