/* What the record keeps of an act, for people: each value that changed, from what to what; else what is known. */

const MOST = 12;
const LONGEST = 80;

/** A key as words: taxNumber is “tax number”. */
const words = (key: string): string => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

const isPlain = (value: unknown): value is string | number | boolean | null =>
  value === null || ['string', 'number', 'boolean'].includes(typeof value);

const shown = (value: unknown): string => {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (value === true) return 'yes';
  if (value === false) return 'no';
  const text = isPlain(value) ? String(value) : JSON.stringify(value);
  return text.length > LONGEST ? `${text.slice(0, LONGEST)} …` : text;
};

/** Identities mean nothing to people. */
const isIdentity = (value: unknown): boolean =>
  typeof value === 'string' && /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/.test(value);

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list whose entries say who they are, by that; null for any other. */
function byIdentity(value: unknown): ReadonlyMap<string, unknown> | null {
  if (!Array.isArray(value)) return null;
  const named = value.map((each: unknown) =>
    isRecord(each) && typeof each.id === 'string' ? ([each.id, each] as const) : null,
  );
  return named.every((each) => each !== null) ? new Map(named) : null;
}

/** Every place where two values differ, deepest first told as one line each. */
function differences(before: unknown, after: unknown, place: string): string[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return [];
  if (isRecord(before) && isRecord(after))
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
      differences(before[key], after[key], [place, words(key)].filter(Boolean).join(', ')),
    );
  const [was, is] = [byIdentity(before), byIdentity(after)];
  if (was && is) {
    const nameOf = (one: unknown, key: string) =>
      isRecord(one) && typeof one.name === 'string' && one.name !== '' ? one.name : key;
    return [...new Set([...was.keys(), ...is.keys()])].flatMap((key) =>
      differences(
        was.get(key),
        is.get(key),
        [place, nameOf(is.get(key) ?? was.get(key), key)].filter(Boolean).join(', '),
      ),
    );
  }
  return [`${place === '' ? '' : `${place}: `}${shown(before)} → ${shown(after)}`];
}

/**
 * What an act changed, in lines; at most twelve, the rest counted.
 *
 * @param detail what the record keeps of it
 */
export function changesInWords(detail: Readonly<Record<string, unknown>>): string[] {
  const { before, after, ...rest } = detail;
  const changed = 'before' in detail || 'after' in detail;
  const lines = [
    ...(changed && !isIdentity(before) && !isIdentity(after) ? differences(before, after, '') : []),
    ...Object.entries(rest)
      .filter(([, value]) => isPlain(value) && !isIdentity(value) && value !== '')
      .map(([key, value]) => `${words(key)}: ${shown(value)}`),
  ];
  return lines.length <= MOST ? lines : [...lines.slice(0, MOST), `and ${lines.length - MOST} more`];
}
