/* What may be written down of the address of a request: nothing that opens a door, nothing that somebody typed. */

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Ways whose next part opens something by itself. */
const OPENERS = new Set(['b', 'join', 'password']);

/** A part of our own making: a word of an address, an identity, a file with an ending that we serve. */
const isPlain = (part: string) => /^[a-z][a-z0-9-]{0,30}(\.[a-z]{2,4})?$/.test(part) || UUID.test(part);

/**
 * The address of a request for the log: without what is behind `?` and without private parts.
 * @param url as the request says it, from its first `/`
 */
export function pathForLog(url: string): string {
  const parts = url.slice(0, 500).split(/[?#]/)[0]!.split('/').filter(Boolean);
  if (parts[0] === '_next') return '/_next';
  return `/${parts
    .slice(0, 8)
    .map((part, i) =>
      OPENERS.has(parts[i - 1] ?? '') && i === 1
        ? ':token'
        : isPlain(part) || /^v\d$/.test(part)
          ? part
          : ':other',
    )
    .join('/')}`;
}

/** Of which kind a request is, for counting: few kinds, whatever is asked. */
export function kindOfPath(url: string): 'static' | 'booklet' | 'interface' | 'page' {
  if (url.startsWith('/_next/')) return 'static';
  if (url.startsWith('/b/')) return 'booklet';
  return url.startsWith('/api/') ? 'interface' : 'page';
}
