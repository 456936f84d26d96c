import { useEffect, useRef } from 'react';
import { askAgain } from '@/ui/askAgain';
import { askDoor } from '@/ui/askDoor';
import type { Booklet } from './types';

const EVERY = 5000;

/**
 * Keeps an open booklet as it is on the server: what others choose, send, answer, sign or pay reaches it by itself, and a
 * page that is come back to asks at once.
 * @param address where the booklet is; null in the preview, where nothing changes
 * @param mark what it looked like when it was read
 * @param take gets the booklet when it is another, and when it was asked for (as `performance.now()` has it); false where
 *   it cannot be taken just now, and is asked for again
 */
export function useFresh(
  address: string | null,
  mark: string,
  take: (booklet: Booklet, began: number) => boolean,
): void {
  const taking = useRef(take);
  useEffect(() => {
    taking.current = take;
  });
  useEffect(() => {
    if (!address) return;
    let known = mark;
    return askAgain(
      EVERY,
      async (signal) => {
        const began = performance.now();
        const told = await askDoor<{ mark: string; booklet: Booklet | null }>(
          `${address}/now?mark=${encodeURIComponent(known)}`,
          { signal },
        );
        if (told.booklet === null || taking.current(told.booklet, began)) known = told.mark;
      },
      EVERY,
    );
  }, [address, mark]);
}
