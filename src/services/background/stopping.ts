import type { Server } from 'node:http';
import { closeConnection } from '@/data/connection';

/** How long what is under way may take to be finished, in milliseconds. */
const PATIENCE = 12_000;

const holder = globalThis as { impegnoStopping?: boolean };

/** Whether the server ends: it takes nothing new. */
export const isStopping = (): boolean => holder.impegnoStopping === true;

/** What takes requests takes no more; what is asked already is answered. */
const closed = (server: Server) =>
  new Promise<void>((done) => {
    server.close(() => done());
    server.closeIdleConnections();
  });

/**
 * Ends the process in order: no request and no work of the queue is begun any more, what is under way is finished, the
 * database is left. What does not end in some seconds is given up: its transaction is taken back.
 * @param servers what takes requests
 * @param ends what else is to be ended
 */
export async function stopInOrder(
  servers: Iterable<Server>,
  ends: readonly (() => Promise<void>)[],
): Promise<void> {
  holder.impegnoStopping = true;
  const orderly = Promise.allSettled([...[...servers].map(closed), ...ends.map((end) => end())]).then(() =>
    closeConnection(),
  );
  const late = new Promise<void>((give) => setTimeout(give, PATIENCE).unref());
  await Promise.race([orderly, late]);
}
