import { useEffect, useRef } from 'react';
import type { Booklet } from './types';

const EVERY = 5000;

/**
 * Keeps an open booklet as it is on the server: what others choose, send, answer, sign or pay reaches it by itself, and a
 * page that is come back to asks at once.
 * @param address where the booklet is; null in the preview, where nothing changes
 * @param mark what it looked like when it was read
 * @param take gets the booklet when it is another; false where it cannot be taken just now, and is asked for again
 */
export function useFresh(address: string | null, mark: string, take: (booklet: Booklet) => boolean): void {
  const taking = useRef(take);
  useEffect(() => {
    taking.current = take;
  });
  useEffect(() => {
    if (!address) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let known = mark;
    let asking: AbortController | null = null;
    let ended = false;
    const ask = async () => {
      clearTimeout(timer);
      asking?.abort();
      const mine = new AbortController();
      asking = mine;
      try {
        if (document.visibilityState === 'visible') {
          const answer = await fetch(`${address}/now?mark=${encodeURIComponent(known)}`, {
            signal: mine.signal,
          });
          if (answer.ok) {
            const told = (await answer.json()) as { mark: string; booklet: Booklet | null };
            if (told.booklet === null || taking.current(told.booklet)) known = told.mark;
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
    timer = setTimeout(() => void ask(), EVERY);
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
  }, [address, mark]);
}
