import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';

/*
 * What was typed and is not with the server yet, kept in the browser: a reload, a closed tab, a crash or a lost network
 * takes nothing. Where the browser keeps nothing (private windows of some), everything works as without it.
 */

interface KeptSchema extends DBSchema {
  kept: { key: string; value: { readonly value: unknown; readonly at: string } };
}

let opened: Promise<IDBPDatabase<KeptSchema> | null> | null = null;

const database = (): Promise<IDBPDatabase<KeptSchema> | null> => {
  opened ??=
    typeof indexedDB === 'undefined'
      ? Promise.resolve(null)
      : openDB<KeptSchema>('impegno', 1, {
          upgrade: (fresh) => void fresh.createObjectStore('kept'),
          // Another version of this page wants the database: let it, and open again at the next need.
          blocking: (_now, _next, event) => {
            (event.target as IDBDatabase).close();
            opened = null;
          },
          terminated: () => {
            opened = null;
          },
        }).catch(() => null);
  return opened;
};

async function tried<T>(work: (known: IDBPDatabase<KeptSchema>) => Promise<T>, otherwise: T): Promise<T> {
  try {
    const known = await database();
    return known ? await work(known) : otherwise;
  } catch {
    return otherwise;
  }
}

/*
 * The browser's database answers late, and a page that is left does not wait for it. What is not confirmed by then is put
 * down where writing is at once, and taken over by whoever reads next.
 */

const UNCONFIRMED = 'impegno unconfirmed ';
/** What was asked to be kept (undefined: forgotten) and is not confirmed. */
const pending = new Map<string, { readonly value: unknown }>();
let leaving = false;

const atOnce = (): Storage | null => {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
};

function putDown(key: string): void {
  const asked = pending.get(key);
  if (!asked) return;
  try {
    atOnce()?.setItem(UNCONFIRMED + key, JSON.stringify(asked.value === undefined ? {} : asked));
  } catch {
    // Too much for it, or nothing is kept here at all.
  }
}

/** What was put down under a key by a page that was left; null: nothing, undefined in it: forgotten. */
function putDownBefore(key: string): { readonly value?: unknown } | null {
  const text = atOnce()?.getItem(UNCONFIRMED + key) ?? null;
  return text === null ? null : (JSON.parse(text) as { value?: unknown });
}

if (typeof window !== 'undefined') {
  const leave = () => {
    leaving = true;
    for (const key of pending.keys()) putDown(key);
  };
  const back = () => {
    leaving = false;
  };
  window.addEventListener('pagehide', leave);
  window.addEventListener('pageshow', back);
  document.addEventListener('visibilitychange', () =>
    document.visibilityState === 'hidden' ? leave() : back(),
  );
}

/** Writes under a key (undefined: takes away), and says whether it is done. Newer writes of the key go over it. */
async function write(key: string, value: unknown): Promise<boolean> {
  const asked = { value };
  pending.set(key, asked);
  if (leaving) putDown(key);
  const done = await tried(async (known) => {
    // Ended by hand: a page that goes away the next moment has asked for the whole of it.
    const change = known.transaction('kept', 'readwrite');
    void (
      value === undefined
        ? change.store.delete(key)
        : change.store.put({ value, at: new Date().toISOString() }, key)
    ).catch(() => undefined);
    change.commit();
    await change.done;
    return true;
  }, false);
  if (done && pending.get(key) === asked) {
    pending.delete(key);
    atOnce()?.removeItem(UNCONFIRMED + key);
  }
  return done;
}

/** Keeps a value (plain data) under a key, over what was kept there. Resolves to whether it is kept. */
export const keep = (key: string, value: unknown): Promise<boolean> => write(key, value);

/** Forgets what is kept under a key. */
export const forget = async (key: string): Promise<void> => void (await write(key, undefined));

/** What is kept under a key, or undefined. */
export async function readKept<T>(key: string): Promise<T | undefined> {
  const asked = pending.get(key);
  if (asked) return asked.value as T | undefined;
  const left = putDownBefore(key);
  if (left) {
    void write(key, left.value);
    return left.value as T | undefined;
  }
  return tried(async (known) => (await known.get('kept', key))?.value as T | undefined, undefined);
}

/** The keys that begin so, in their order. */
export async function keysFrom(beginning: string): Promise<string[]> {
  const kept = await tried(
    (known) => known.getAllKeys('kept', IDBKeyRange.bound(beginning, `${beginning}\uffff`)),
    [],
  );
  const left = Object.keys(atOnce() ?? {})
    .filter((key) => key.startsWith(UNCONFIRMED + beginning))
    .map((key) => key.slice(UNCONFIRMED.length));
  return [...new Set([...kept, ...left])].sort();
}
