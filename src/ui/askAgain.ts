/**
 * Asks something again and again while a page is open and seen, and at once when it is come back to. What is asked stays the
 * last: an earlier question is broken off. Without an answer it is asked again.
 * @param every milliseconds between an answer and the next question
 * @param first milliseconds before the first question
 * @returns ends it
 */
export function askAgain(every: number, ask: (signal: AbortSignal) => Promise<void>, first = 0): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asking: AbortController | null = null;
  let ended = false;
  const go = async () => {
    clearTimeout(timer);
    asking?.abort();
    const mine = new AbortController();
    asking = mine;
    try {
      if (document.visibilityState === 'visible') await ask(mine.signal);
    } catch {
      // Asked again below.
    }
    if (!ended && asking === mine) timer = setTimeout(() => void go(), every);
  };
  const back = () => {
    if (document.visibilityState === 'visible') void go();
  };
  timer = setTimeout(() => void go(), first);
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
}
