import { AsyncLocalStorage } from 'node:async_hooks';

/** The request that something is done for. */
interface OfRequest {
  readonly id: string;
}

// One for the process, whichever bundle asks.
const holder = globalThis as { impegnoRequest?: AsyncLocalStorage<OfRequest> };
export const ofRequest = (holder.impegnoRequest ??= new AsyncLocalStorage<OfRequest>());

const write = (line: Readonly<Record<string, unknown>>) =>
  process.stdout.write(
    `${JSON.stringify({ at: new Date().toISOString(), ...line, process: process.pid })}\n`,
  );

/** Writes down that something happened, as a line of JSON. */
export function logInfo(what: string, more: Readonly<Record<string, unknown>> = {}): void {
  const id = ofRequest.getStore()?.id;
  write({ level: 'info', what, ...more, ...(id ? { request: id } : {}) });
}

/** The first line of a message, without what a query was asked with. */
const plainMessage = (message: string) => message.split(/\n|params:/)[0]!.slice(0, 300);

/** Where in the code something went wrong: names and places, no values. */
const placesOf = (error: Error) =>
  (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 12)
    .map((line) => line.trim());

/**
 * Writes down a mistake of ours: what it is and where, with the request it happened in; no values, which could be somebody's.
 * While the code is worked on the whole of it is shown.
 */
export function logMistake(error: unknown): void {
  if (process.env.IMPEGNO_PRODUCTION !== '1') {
    console.error(error);
    return;
  }
  const known = error instanceof Error ? error : new Error(typeof error);
  const { code, cause } = known as { code?: unknown; cause?: { code?: unknown; message?: string } };
  const id = ofRequest.getStore()?.id;
  write({
    ...{ level: 'error', what: plainMessage(known.message), name: known.name },
    ...(typeof code === 'string' ? { code } : {}),
    ...(typeof cause?.code === 'string' ? { causedBy: cause.code } : {}),
    ...(id ? { request: id } : {}),
    places: placesOf(known),
  });
}
