/*
 * Text that is no text: PostgreSQL keeps neither the character NUL nor half of a surrogate pair, and says so with an error of
 * its own. What comes in is looked through here, once, for every door.
 */

const DEEPEST = 60;

const isWhole = (text: string): boolean => !text.includes('\u0000') && text.isWellFormed();

/**
 * Where in some input text stands that cannot be kept, or a number no database holds, as a JSON Pointer; null: nowhere.
 * Deeper than any document goes counts as such a place.
 */
export function unstorable(input: unknown, at = '', depth = 0): string | null {
  if (typeof input === 'string') return isWhole(input) ? null : at;
  if (typeof input === 'number') return Number.isFinite(input) && Math.abs(input) <= 2 ** 53 ? null : at;
  if (typeof input !== 'object' || input === null) return null;
  if (depth > DEEPEST) return at;
  for (const [key, value] of Object.entries(input)) {
    const here = `${at}/${key.replace(/~/g, '~0').replace(/\//g, '~1')}`;
    if (!isWhole(key)) return at;
    const found = unstorable(value, here, depth + 1);
    if (found !== null) return found;
  }
  return null;
}
