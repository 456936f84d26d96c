/**
 * Does something now and then, as long as the server runs, and keeps nothing alive for it. What is still at work is not
 * begun again; what fails is told and tried at the next time.
 *
 * @param first milliseconds until the first time
 * @param every milliseconds from one time to the next
 * @returns ends it
 */
export function runPeriodically(
  work: () => Promise<unknown>,
  { first, every, tell }: { first: number; every: number; tell: (error: unknown) => void },
): () => void {
  let busy = false;
  const go = async () => {
    if (busy) return;
    busy = true;
    try {
      await work();
    } catch (error) {
      tell(error);
    } finally {
      busy = false;
    }
  };
  const timers = [setTimeout(() => void go(), first), setInterval(() => void go(), every)];
  for (const timer of timers) timer.unref();
  return () => timers.forEach((timer) => clearTimeout(timer));
}
