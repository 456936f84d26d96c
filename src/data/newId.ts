import { randomInt } from 'node:crypto';
import { v7 } from 'uuid';

// Starts anywhere, so that two processes hardly ever count alike.
let made = randomInt(2 ** 31);

/** A new identity (UUIDv7, RFC 9562): ordered by time, and within one moment by the order they were made in. */
export function newId(now: Date): string {
  made = (made + 1) >>> 0;
  return v7({ msecs: now.getTime(), seq: made });
}
