import type { ProblemDetails } from '@/model';
import { PATIENCE, withPatience } from './patience';

/** How long a file may take to arrive, in milliseconds. */
export const UPLOAD_PATIENCE = 300_000;

const silent = 'The server does not answer.';

/**
 * What a door answered with.
 * @throws Error with the sentence of the problem, where it was one
 */
export async function readAnswer<T>(answer: Response): Promise<T> {
  let read: T & Partial<ProblemDetails>;
  try {
    read = (await answer.json()) as T & Partial<ProblemDetails>;
  } catch {
    throw new Error(silent);
  }
  if (!answer.ok) throw new Error(read.detail ?? silent);
  return read;
}

/**
 * A request that is waited for as long as a person would, and broken off then. Every request of a screen goes through here.
 * @param patience milliseconds to the head of the answer
 * @throws Error with a sentence where no answer comes; AbortError where the asker broke it off
 */
export async function reach(path: string, init: RequestInit = {}, patience = PATIENCE): Promise<Response> {
  const late = new AbortController();
  const signal = init.signal ? AbortSignal.any([init.signal, late.signal]) : late.signal;
  try {
    return await withPatience(fetch(path, { ...init, signal }), patience);
  } catch (error) {
    late.abort();
    if (init.signal?.aborted) throw init.signal.reason as Error;
    throw new Error(silent, { cause: error });
  }
}

/**
 * Asks a door and reads its answer.
 * @throws Error with a sentence: the door's own, or that none came in time; AbortError where the asker broke it off
 */
export async function askDoor<T>(path: string, init: RequestInit = {}, patience = PATIENCE): Promise<T> {
  // The answer's body may hang where its head came.
  const began = Date.now();
  const answer = await reach(path, init, patience);
  return withPatience(readAnswer<T>(answer), Math.max(1, patience - (Date.now() - began))).catch(
    (error: Error) => {
      throw error.name === 'NoAnswer' ? new Error(silent, { cause: error }) : error;
    },
  );
}

/** Gives the server a file to keep. @throws Error as `askDoor` */
export const sendFile = <T>(path: string, body: Blob): Promise<T> =>
  askDoor<T>(
    path,
    { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body },
    UPLOAD_PATIENCE,
  );
