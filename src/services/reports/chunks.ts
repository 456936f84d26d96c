/** Agreements, or documents of proposals, that are held in memory at one time. */
const AT_ONE_TIME = 200;

/** A list in pieces that can be loaded at one time. */
export function* chunks<T>(all: readonly T[]): Generator<readonly T[]> {
  for (let from = 0; from < all.length; from += AT_ONE_TIME) yield all.slice(from, from + AT_ONE_TIME);
}
